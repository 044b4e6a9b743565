namespace Kalypto.Core.Shapes;

/// <summary>A path in moves, lines and cubic curves alone.</summary>
internal static class PathCurves
{
    public static IEnumerable<PathSegment> Of(IReadOnlyList<PathSegment> segments)
    {
        double x = 0, y = 0, startX = 0, startY = 0;
        var (kind, mx, my) = ('L', 0.0, 0.0);
        foreach (var (command, v) in segments)
        {
            switch (command)
            {
                case 'C':
                    yield return new('C', v);
                    (kind, mx, my) = ('C', 2 * v[4] - v[2], 2 * v[5] - v[3]);
                    break;
                case 'S':
                    yield return new('C', [kind == 'C' ? mx : x, kind == 'C' ? my : y, v[0], v[1], v[2], v[3]]);
                    (kind, mx, my) = ('C', 2 * v[2] - v[0], 2 * v[3] - v[1]);
                    break;
                case 'Q' or 'T':
                    var (qx, qy) = command == 'Q' ? (v[0], v[1]) : kind == 'Q' ? (mx, my) : (x, y);
                    var (ex, ey) = (v[^2], v[^1]);
                    yield return new('C', [x + (qx - x) * 2 / 3, y + (qy - y) * 2 / 3, ex + (qx - ex) * 2 / 3, ey + (qy - ey) * 2 / 3, ex, ey]);
                    (kind, mx, my) = ('Q', 2 * ex - qx, 2 * ey - qy);
                    break;
                case 'A':
                    foreach (var curve in Arc(x, y, v))
                    {
                        yield return curve;
                    }
                    kind = 'L';
                    break;
                default:
                    yield return new(command, v);
                    kind = 'L';
                    break;
            }
            if (command == 'Z')
            {
                (x, y) = (startX, startY);
            }
            else
            {
                (x, y) = (v[^2], v[^1]);
            }
            if (command == 'M')
            {
                (startX, startY) = (x, y);
            }
        }
    }

    /// <summary>An arc as curves of at most a quarter turn (SVG 1.1, F.6).</summary>
    private static IEnumerable<PathSegment> Arc(double x1, double y1, double[] v)
    {
        var (rx, ry, x2, y2) = (Math.Abs(v[0]), Math.Abs(v[1]), v[5], v[6]);
        if (rx < 1e-12 || ry < 1e-12 || (x1 == x2 && y1 == y2))
        {
            yield return new('L', [x2, y2]);
            yield break;
        }
        var (sin, cos) = Math.SinCos(v[2] * Math.PI / 180);
        var (dx, dy) = ((x1 - x2) / 2, (y1 - y2) / 2);
        var (px, py) = (cos * dx + sin * dy, -sin * dx + cos * dy);
        var tooSmall = px * px / (rx * rx) + py * py / (ry * ry);
        if (tooSmall > 1)
        {
            (rx, ry) = (rx * Math.Sqrt(tooSmall), ry * Math.Sqrt(tooSmall));
        }
        var square = (rx * rx * ry * ry - rx * rx * py * py - ry * ry * px * px) / (rx * rx * py * py + ry * ry * px * px);
        var root = Math.Sqrt(Math.Max(0, square)) * ((v[3] != 0) == (v[4] != 0) ? -1 : 1);
        var (cpx, cpy) = (root * rx * py / ry, -root * ry * px / rx);
        var (cx, cy) = (cos * cpx - sin * cpy + (x1 + x2) / 2, sin * cpx + cos * cpy + (y1 + y2) / 2);
        var from = Math.Atan2((py - cpy) / ry, (px - cpx) / rx);
        var sweep = Math.Atan2((-py - cpy) / ry, (-px - cpx) / rx) - from;
        sweep += v[4] != 0 && sweep < 0 ? 2 * Math.PI : v[4] == 0 && sweep > 0 ? -2 * Math.PI : 0;
        var steps = Math.Max(1, (int)Math.Ceiling(Math.Abs(sweep) / (Math.PI / 2) - 1e-9));
        var k = 4.0 / 3 * Math.Tan(sweep / steps / 4);
        (double, double) At(double ux, double uy) => (cx + cos * rx * ux - sin * ry * uy, cy + sin * rx * ux + cos * ry * uy);
        for (var i = 0; i < steps; i++)
        {
            var (a, b) = (from + sweep * i / steps, from + sweep * (i + 1) / steps);
            var (ax, ay) = At(Math.Cos(a) - k * Math.Sin(a), Math.Sin(a) + k * Math.Cos(a));
            var (bx, by) = At(Math.Cos(b) + k * Math.Sin(b), Math.Sin(b) - k * Math.Cos(b));
            var (ex, ey) = i == steps - 1 ? (x2, y2) : At(Math.Cos(b), Math.Sin(b));
            yield return new('C', [ax, ay, bx, by, ex, ey]);
        }
    }
}
