using Kalypto.Core.Designs;

namespace Kalypto.Drawing.Workers;

/// <summary>How closely a layer is looked at to find its ink.</summary>
internal static class LookScale
{
    private const double CloseLook = 3_000_000;
    private const double MostPixels = 16_000_000;

    /// <summary>px per drawing unit: 4 for small layers, less for large ones.</summary>
    public static double For(Box region)
    {
        var area = Math.Max(1, region.Width * region.Height);
        foreach (var scale in new[] { 4.0, 2.0 })
        {
            if (area * scale * scale <= CloseLook)
            {
                return scale;
            }
        }
        var least = Math.Max(Math.Ceiling(Math.Sqrt(area / MostPixels)), Math.Ceiling(Math.Max(region.Width, region.Height) / Canvas.LongestSide));
        return 1 / Math.Max(1, least);
    }

    /// <summary>Edges that are seen within a pixel of the shape's own edge are where the shape says, which knows it exactly.</summary>
    public static Box Refine(Box ink, Box shape, double pixel)
    {
        double Edge(double seen, double exact, bool low) =>
            Math.Abs(seen - exact) <= pixel && (low ? exact >= seen : exact <= seen) ? exact : seen;
        return Box.FromEdges(
            Edge(ink.X, shape.X, true), Edge(ink.Y, shape.Y, true), Edge(ink.Right, shape.Right, false), Edge(ink.Bottom, shape.Bottom, false));
    }
}
