using Kalypto.Core.Designs;
using Kalypto.Core.Isolating;
using Kalypto.Core.Rendering;

namespace Kalypto.Core.Proving;

/// <summary>Draws something by both engines and compares what came, tile by tile.</summary>
internal static class BothEngines
{
    // Of more pixels the exact engine draws a picture less than four times larger.
    private const int TilePixels = 1_400_000;
    private const int LongestSide = 2400;
    private const int AtOnce = 2;

    /// <summary>Compares both engines' pictures.</summary>
    /// <param name="renderer">Both engines.</param>
    /// <param name="isolation">What is drawn.</param>
    /// <param name="corner">Where the pictures begin, in drawing units.</param>
    /// <param name="at">px per drawing unit.</param>
    /// <param name="whole">The pictures, px.</param>
    /// <param name="places">Where it is compared; null for all of it.</param>
    /// <param name="cancel">Ends it.</param>
    /// <returns>What differs, or what could not be drawn.</returns>
    public static async Task<(Differences? Found, Drawn? Failure)> CompareAsync(IRenderer renderer, Isolation isolation, (double X, double Y) corner, double at, PixelBox whole, IReadOnlyList<PixelBox>? places, CancellationToken cancel)
    {
        var found = Differences.None(whole.Width, whole.Height);
        foreach (var some in Tiles(whole).Where(t => places?.Any(p => p.Meets(t)) != false).Chunk(AtOnce))
        {
            foreach (var (tile, quick, exact) in await Task.WhenAll(some.Select(DrawAsync)))
            {
                if ((quick.Bytes, exact.Bytes) is not ({ } ours, { } theirs))
                {
                    return (null, quick.Bytes is null ? quick : exact);
                }
                found = found.With(ours, theirs, tile);
            }
        }
        return (found, null);

        async Task<(PixelBox Tile, Drawn Quick, Drawn Exact)> DrawAsync(PixelBox tile)
        {
            var crop = new Box(corner.X + tile.Left / at, corner.Y + tile.Top / at, tile.Width / at, tile.Height / at);
            var quick = renderer.PixelsAsync(isolation.QuickScene(crop, tile.Width, tile.Height), tile.Width, tile.Height, cancel);
            var exact = renderer.PixelsAsync(isolation.Scene(crop, tile.Width, tile.Height, isExact: true), tile.Width, tile.Height, cancel);
            return (tile, await quick, await exact);
        }
    }

    private static IEnumerable<PixelBox> Tiles(PixelBox whole)
    {
        var wide = Math.Min(whole.Width, LongestSide);
        var tall = Math.Max(1, TilePixels / wide);
        for (var top = 0; top < whole.Height; top += tall)
        {
            for (var from = 0; from < whole.Width; from += wide)
            {
                yield return new(from, top, Math.Min(whole.Width, from + wide), Math.Min(whole.Height, top + tall));
            }
        }
    }
}
