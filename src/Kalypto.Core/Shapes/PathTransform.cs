using Kalypto.Core.Designs;

namespace Kalypto.Core.Shapes;

/// <summary>Applies a transform to the numbers of a path.</summary>
internal static class PathTransform
{
    public static List<PathSegment> Apply(IReadOnlyList<PathSegment> segments, Matrix matrix)
    {
        if (matrix == Matrix.Identity)
        {
            return [.. segments];
        }
        var result = new List<PathSegment>(segments.Count);
        foreach (var (command, values) in segments)
        {
            if (command == 'A')
            {
                result.Add(Arc(values, matrix));
                continue;
            }
            var moved = new double[values.Length];
            for (var i = 0; i + 1 < values.Length; i += 2)
            {
                (moved[i], moved[i + 1]) = Point(values[i], values[i + 1], matrix);
            }
            result.Add(new(command, moved));
        }
        return result;
    }

    public static (double X, double Y) Point(double x, double y, Matrix m) => (m.A * x + m.C * y + m.E, m.B * x + m.D * y + m.F);

    /// <summary>An ellipse stays one under any transform: its axes are the singular vectors of both together.</summary>
    private static PathSegment Arc(double[] v, Matrix m)
    {
        var (sin, cos) = Math.SinCos(v[2] * Math.PI / 180);
        // The matrix that makes the ellipse out of the unit circle, then the transform.
        var (a, b) = (m.A * v[0] * cos + m.C * v[0] * sin, m.B * v[0] * cos + m.D * v[0] * sin);
        var (c, d) = (-m.A * v[1] * sin + m.C * v[1] * cos, -m.B * v[1] * sin + m.D * v[1] * cos);
        var (e, f, g, h) = ((a + d) / 2, (a - d) / 2, (b + c) / 2, (b - c) / 2);
        var (q, r) = (Math.Sqrt(e * e + h * h), Math.Sqrt(f * f + g * g));
        var (first, second) = (Math.Atan2(g, f), Math.Atan2(h, e));
        var turn = (second + first) / 2 * 180 / Math.PI;
        var (x, y) = Point(v[5], v[6], m);
        var (rx, ry) = (q + r, Math.Abs(q - r));
        var flips = m.A * m.D - m.B * m.C < 0;
        return new('A', [rx, ry, Math.Abs(rx - ry) < 1e-9 ? 0 : turn, v[3], flips ? 1 - v[4] : v[4], x, y]);
    }
}
