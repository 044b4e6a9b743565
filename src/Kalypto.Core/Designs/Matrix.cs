using Kalypto.Core.Deciding;

namespace Kalypto.Core.Designs;

/// <summary>An affine transform as SVG writes it: x' = a·x + c·y + e, y' = b·x + d·y + f.</summary>
public readonly record struct Matrix(double A, double B, double C, double D, double E, double F)
{
    /// <summary>Nothing moves.</summary>
    public static Matrix Identity { get; } = new(1, 0, 0, 1, 0, 0);

    /// <summary>True when it only moves.</summary>
    public bool OnlyMoves => A == 1 && B == 0 && C == 0 && D == 1;

    /// <summary>First <paramref name="inner"/>, then <paramref name="outer"/>.</summary>
    public static Matrix operator *(Matrix outer, Matrix inner) => new(
        outer.A * inner.A + outer.C * inner.B, outer.B * inner.A + outer.D * inner.B,
        outer.A * inner.C + outer.C * inner.D, outer.B * inner.C + outer.D * inner.D,
        outer.A * inner.E + outer.C * inner.F + outer.E, outer.B * inner.E + outer.D * inner.F + outer.F);

    /// <summary>What undoes it; null when it makes all flat.</summary>
    public Matrix? Inverse() => A * D - B * C is var flat && Math.Abs(flat) < 1e-12 ? null
        : new(D / flat, -B / flat, -C / flat, A / flat, (C * F - D * E) / flat, (B * E - A * F) / flat);

    /// <summary>The smallest upright box around a box after the transform.</summary>
    public Box BoundsOf(Box box)
    {
        var (x, y) = (new[] { box.X, box.X + box.Width }, new[] { box.Y, box.Y + box.Height });
        var (a, c, e, b, d, f) = (A, C, E, B, D, F);
        var across = x.SelectMany(px => y.Select(py => a * px + c * py + e)).ToList();
        var down = x.SelectMany(px => y.Select(py => b * px + d * py + f)).ToList();
        return new(across.Min(), down.Min(), across.Max() - across.Min(), down.Max() - down.Min());
    }

    /// <summary>Reads the value of a transform attribute (SVG 1.1, 7.6); null when it is not understood.</summary>
    public static Matrix? Parse(string? text)
    {
        var matrix = Identity;
        for (var rest = (text ?? "").AsSpan().Trim(" ,\t\r\n"); !rest.IsEmpty;)
        {
            var open = rest.IndexOf('(');
            var close = rest.IndexOf(')');
            if (open < 0 || close < open || Numbers.List(rest[(open + 1)..close].ToString()) is not { } n || Step(rest[..open].Trim().ToString(), n) is not { } step)
            {
                return null;
            }
            matrix *= step;
            rest = rest[(close + 1)..].Trim(" ,\t\r\n");
        }
        return matrix;
    }

    private static Matrix? Step(string name, double[] n) => (name, n) switch
    {
        ("matrix", [var a, var b, var c, var d, var e, var f]) => new(a, b, c, d, e, f),
        ("translate", [var x]) => new(1, 0, 0, 1, x, 0),
        ("translate", [var x, var y]) => new(1, 0, 0, 1, x, y),
        ("scale", [var s]) => new(s, 0, 0, s, 0, 0),
        ("scale", [var x, var y]) => new(x, 0, 0, y, 0, 0),
        ("rotate", [var angle]) => Turn(angle),
        ("rotate", [var angle, var x, var y]) => new Matrix(1, 0, 0, 1, x, y) * Turn(angle) * new Matrix(1, 0, 0, 1, -x, -y),
        ("skewX", [var angle]) => new(1, 0, Math.Tan(angle * Math.PI / 180), 1, 0, 0),
        ("skewY", [var angle]) => new(1, Math.Tan(angle * Math.PI / 180), 0, 1, 0, 0),
        _ => null,
    };

    private static Matrix Turn(double angle)
    {
        var (sin, cos) = Math.SinCos(angle * Math.PI / 180);
        return new(cos, sin, -sin, cos, 0, 0);
    }
}
