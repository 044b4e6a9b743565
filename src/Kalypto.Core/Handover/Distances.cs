using Kalypto.Core.Designs;

namespace Kalypto.Core.Handover;

/// <summary>How far apart things lie, in the unit of their boxes.</summary>
public static class Distances
{
    /// <summary>From a box to the edges of the screen: left, top, right, bottom; less than 0 for what sticks out.</summary>
    public static (double Left, double Top, double Right, double Bottom) ToEdges(Box box, double width, double height) => (Round(box.X), Round(box.Y), Round(width - box.Right), Round(height - box.Bottom));

    /// <summary>Between two boxes.</summary>
    /// <param name="Across">The gap across; null where one lies above the other.</param>
    /// <param name="Down">The gap down; null where they lie beside each other.</param>
    /// <param name="Inside">From the edges of the inner one to those of the outer one (left, top, right, bottom); null where neither lies in the other.</param>
    public readonly record struct Gap(double? Across, double? Down, (double Left, double Top, double Right, double Bottom)? Inside);

    /// <summary>Measures between two boxes.</summary>
    public static Gap Between(Box a, Box b)
    {
        var (outer, inner) = a.Width * a.Height >= b.Width * b.Height ? (a, b) : (b, a);
        if (inner.X >= outer.X && inner.Y >= outer.Y && inner.Right <= outer.Right && inner.Bottom <= outer.Bottom)
        {
            return new(null, null, (Round(inner.X - outer.X), Round(inner.Y - outer.Y), Round(outer.Right - inner.Right), Round(outer.Bottom - inner.Bottom)));
        }
        double? across = a.Right <= b.X ? b.X - a.Right : b.Right <= a.X ? a.X - b.Right : null;
        double? down = a.Bottom <= b.Y ? b.Y - a.Bottom : b.Bottom <= a.Y ? a.Y - b.Bottom : null;
        return new(across is { } x ? Round(x) : null, down is { } y ? Round(y) : null, null);
    }

    /// <summary>The nearest of some boxes on one side of a box, beside it and not above or below (or the reverse); null when there is none.</summary>
    /// <param name="box">The box.</param>
    /// <param name="side">left, above, right or below.</param>
    /// <param name="others">The others.</param>
    public static (int Index, double Distance)? Nearest(Box box, string side, IReadOnlyList<Box> others)
    {
        (int Index, double Distance)? best = null;
        for (var i = 0; i < others.Count; i++)
        {
            var o = others[i];
            var isBeside = o.Y < box.Bottom && o.Bottom > box.Y;
            var isInLine = o.X < box.Right && o.Right > box.X;
            double? distance = side switch
            {
                "left" when isBeside && o.Right <= box.X => box.X - o.Right,
                "right" when isBeside && o.X >= box.Right => o.X - box.Right,
                "above" when isInLine && o.Bottom <= box.Y => box.Y - o.Bottom,
                "below" when isInLine && o.Y >= box.Bottom => o.Y - box.Bottom,
                _ => null,
            };
            if (distance is { } d && (best is null || d < best.Value.Distance))
            {
                best = (i, Round(d));
            }
        }
        return best;
    }

    private static double Round(double length) => Math.Round(length, 2) + 0.0;
}
