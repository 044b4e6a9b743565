using Kalypto.Core.Designs;
using Kalypto.Core.Isolating;
using Kalypto.Core.Rendering;

namespace Kalypto.Core.Proving;

/// <summary>
/// Draws a picture as it ships, its crop at its largest scale, by both engines. Thin strokes, markers and words may differ at three
/// times the size only, which no proof of a screen shows.
/// </summary>
public static class PictureProof
{
    /// <summary>Of a picture of which more than this share of its ink is other, the layer is drawn exactly.</summary>
    public const double Most = 2 * Proof.Most;

    // A picture of more is compared smaller: what differs at so many pixels differs in fewer too, or nobody sees it.
    private const double MostPixels = 4_000_000;

    // Fewer are what engines round differently, however little ink there is.
    private const int LeastPixels = 6;

    /// <summary>The share of the ink that is other, from 0 to 1; 0 for what engines only round differently.</summary>
    /// <param name="renderer">Both engines.</param>
    /// <param name="isolation">The layer as it ships.</param>
    /// <param name="crop">Its crop, in drawing units.</param>
    /// <param name="width">The width of the largest file, px.</param>
    /// <param name="height">Its height, px.</param>
    /// <param name="cancel">Ends it.</param>
    /// <returns>The share, or what could not be drawn.</returns>
    public static async Task<(double? Share, Drawn? Failure)> OfAsync(IRenderer renderer, Isolation isolation, Box crop, int width, int height, CancellationToken cancel)
    {
        var smaller = Math.Min(1, Math.Sqrt(MostPixels / ((double)width * height)));
        var at = smaller * Math.Max(width / crop.Width, height / crop.Height);
        var whole = new PixelBox(0, 0, Math.Max(1, (int)Math.Ceiling(width * smaller)), Math.Max(1, (int)Math.Ceiling(height * smaller)));
        var (found, failure) = await BothEngines.CompareAsync(renderer, isolation, (crop.X, crop.Y), at, whole, null, cancel);
        return (found is null ? null : found.Count < LeastPixels || found.Share <= Most ? 0 : found.Share, failure);
    }
}
