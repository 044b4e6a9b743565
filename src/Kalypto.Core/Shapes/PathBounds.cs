using Kalypto.Core.Designs;

namespace Kalypto.Core.Shapes;

/// <summary>The box around a path, curves included, strokes not.</summary>
internal static class PathBounds
{
    public static Box? Of(IReadOnlyList<PathSegment> segments)
    {
        double left = double.MaxValue, top = double.MaxValue, right = double.MinValue, bottom = double.MinValue;
        void Take(double x, double y)
        {
            (left, right) = (Math.Min(left, x), Math.Max(right, x));
            (top, bottom) = (Math.Min(top, y), Math.Max(bottom, y));
        }
        double px = 0, py = 0, startX = 0, startY = 0;
        foreach (var (command, v) in PathCurves.Of(segments))
        {
            if (command == 'C')
            {
                foreach (var t in Turns(px, v[0], v[2], v[4]).Concat(Turns(py, v[1], v[3], v[5])))
                {
                    Take(At(px, v[0], v[2], v[4], t), At(py, v[1], v[3], v[5], t));
                }
            }
            if (v.Length >= 2)
            {
                (px, py) = (v[^2], v[^1]);
                Take(px, py);
            }
            // What follows a closed part begins where that began.
            (startX, startY) = command == 'M' ? (px, py) : (startX, startY);
            (px, py) = command == 'Z' ? (startX, startY) : (px, py);
        }
        return left > right ? null : Box.FromEdges(left, top, right, bottom);
    }

    private static double At(double a, double b, double c, double d, double t)
    {
        var u = 1 - t;
        return u * u * u * a + 3 * u * u * t * b + 3 * u * t * t * c + t * t * t * d;
    }

    /// <summary>Where a curve turns back along one axis: the roots of its derivative between its ends.</summary>
    private static IEnumerable<double> Turns(double a, double b, double c, double d)
    {
        var (p, q, r) = (d - a + 3 * (b - c), 2 * (a - 2 * b + c), b - a);
        if (Math.Abs(p) < 1e-12)
        {
            return Math.Abs(q) < 1e-12 ? [] : Inside(-r / q);
        }
        var root = q * q - 4 * p * r;
        return root < 0 ? [] : [.. Inside((-q + Math.Sqrt(root)) / (2 * p)), .. Inside((-q - Math.Sqrt(root)) / (2 * p))];

        static double[] Inside(double t) => t is > 0 and < 1 ? [t] : [];
    }
}
