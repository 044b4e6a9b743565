using Kalypto.Core.Designs;

namespace Kalypto.Core.Arranging;

/// <summary>How many drawing units are one point.</summary>
public static class DrawnScale
{
    // Sizes are written with few decimals.
    private const double Near = 0.005;
    private const int Decimals = 3;

    /// <summary>What a drawing is drawn at: as its file says, or else by the look of its screens.</summary>
    public static double Of(DrawingTree drawing) => SaidBy(drawing) ?? DeviceSizes.DrawnAt([.. drawing.Screens.Select(s => s.Box)]);

    /// <summary>What a design may be said to be drawn at: 1, 2, 3, what its file says, and what it is.</summary>
    /// <param name="drawing">Its drawing.</param>
    /// <param name="present">What it is drawn at now.</param>
    public static IReadOnlyList<double> Choices(DrawingTree drawing, double present) => [.. new[] { 1, 2, 3, SaidBy(drawing) ?? 1, present }.Distinct()];

    /// <summary>
    /// How many units a file puts into a px of its own size (SVG 2, 8.2): sets of icons are drawn on 960 or 1024 units for 24 px, and
    /// pages in hundredths of a millimetre. Null where it says none, or no more than one: that is a picture that is shown larger than it was drawn.
    /// </summary>
    public static double? SaidBy(DrawingTree drawing)
    {
        var root = drawing.Root;
        if (root["viewBox"] is null)
        {
            return null;
        }
        // A picture that is fitted into another proportion is as large as its longer side.
        return new[] { Units("width", drawing.Box.Width), Units("height", drawing.Box.Height) }.Max() is > 1 + Near and var most && Math.Min(drawing.Box.Width, drawing.Box.Height) >= most
            ? Math.Abs(most - Math.Round(most)) < Near * most ? Math.Round(most) : Math.Round(most, Decimals) : null;

        double? Units(string side, double drawn) => (Numbers.Length(root.Style(side)) ?? Numbers.Length(root[side])) is > 0 and var px ? drawn / px : null;
    }
}
