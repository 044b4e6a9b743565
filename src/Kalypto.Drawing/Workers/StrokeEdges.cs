using Kalypto.Core.Designs;

namespace Kalypto.Drawing.Workers;

/// <summary>
/// The box of fill and stroke of a layer as the renderer tells it, which may have been dragged out to the layer's origin on
/// one side across and one side down, beside the box of the outline, which is right but without the stroke.
/// </summary>
internal sealed record StrokeEdges(Box Stroked, Box Outline)
{
    private const double Same = 0.02;
    private const double Pixel = 0.5;

    private double Left => Outline.X - Stroked.X;
    private double Right => Stroked.Right - Outline.Right;
    private double Top => Outline.Y - Stroked.Y;
    private double Bottom => Stroked.Bottom - Outline.Bottom;

    /// <summary>True when the stroke reaches further on one side than on the other, which may be so or be a mistake.</summary>
    public bool AreDoubtful => Math.Abs(Left - Right) > Same || Math.Abs(Top - Bottom) > Same;

    /// <summary>How far beyond the outline the stroke can reach at the most.</summary>
    public double SurelyWithin => Math.Min(200, Math.Max(Math.Max(Left, Right), Math.Max(Top, Bottom)) + 1);

    /// <summary>The box, with an edge that drawing the layer does not confirm put where it was seen.</summary>
    public Box Settle(Box seen) => Box.FromEdges(
        Math.Abs(seen.X - Stroked.X) <= Pixel ? Stroked.X : seen.X,
        Math.Abs(seen.Y - Stroked.Y) <= Pixel ? Stroked.Y : seen.Y,
        Math.Abs(seen.Right - Stroked.Right) <= Pixel ? Stroked.Right : seen.Right,
        Math.Abs(seen.Bottom - Stroked.Bottom) <= Pixel ? Stroked.Bottom : seen.Bottom);
}
