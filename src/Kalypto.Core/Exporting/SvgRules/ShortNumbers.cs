using System.Collections.Frozen;
using System.Text.RegularExpressions;
using Kalypto.Core.Designs;
using Kalypto.Core.Shapes;

namespace Kalypto.Core.Exporting.SvgRules;

/// <summary>Numbers with no more decimals than can be seen, and path data in its shortest form.</summary>
internal sealed partial class ShortNumbers : ISvgRule
{
    private static readonly FrozenSet<string> Lengths = FrozenSet.Create(
        "x", "y", "width", "height", "cx", "cy", "r", "rx", "ry", "x1", "y1", "x2", "y2", "fx", "fy", "dx", "dy", "stroke-width", "stroke-dashoffset", "font-size",
        "stdDeviation", "opacity", "fill-opacity", "stroke-opacity", "stop-opacity", "flood-opacity", "offset", "stroke-miterlimit", "letter-spacing");

    private static readonly FrozenSet<string> ListsOfLengths = FrozenSet.Create("points", "stroke-dasharray", "values", "gradientTransform", "patternTransform", "transform");

    public void Apply(ExportNode root, int decimals) => Walk(root, decimals);

    private static void Walk(ExportNode node, int decimals)
    {
        // Inside a transform a number weighs as much as the transform makes of it.
        if (node["transform"] is { } transform && Matrix.Parse(transform) is { } m)
        {
            var factor = Math.Sqrt(Math.Max(m.A * m.A + m.B * m.B, m.C * m.C + m.D * m.D));
            decimals = Math.Clamp(decimals + (int)Math.Ceiling(Math.Log10(Math.Max(factor, 1e-6)) - 0.2), 0, 6);
            node["transform"] = ShortTransform(m, decimals);
        }
        // Boxes of objects count from 0 to 1.
        var inUnits = node.Attributes.Any(a => a.Value == "objectBoundingBox") || node.Name is "linearGradient" or "radialGradient" && node["gradientUnits"] is null;
        foreach (var (name, value) in node.Attributes.ToList())
        {
            if (name == "d" && node.Name is "path")
            {
                var data = PathWriter.Write(PathData.Segments(value), decimals);
                node[name] = data;
            }
            else if (Lengths.Contains(name) && Numbers.Length(value) is { } length && !value.EndsWith('%'))
            {
                node[name] = Numbers.Brief(length, name.EndsWith("opacity", StringComparison.Ordinal) || name == "offset" ? 3 : inUnits ? 5 : decimals);
            }
            else if (name is "gradientTransform" or "patternTransform" && Matrix.Parse(value) is { } ofPaint)
            {
                node[name] = ShortTransform(ofPaint, decimals);
            }
            else if (ListsOfLengths.Contains(name) && name != "transform")
            {
                node[name] = Number().Replace(value.Trim(), n => Numbers.Length(n.Value) is { } number ? Numbers.Brief(number, name == "values" || name.EndsWith("Transform", StringComparison.Ordinal) ? 5 : decimals) : n.Value);
            }
        }
        foreach (var child in node.Elements)
        {
            Walk(child, decimals);
        }
    }

    private static string? ShortTransform(Matrix m, int decimals)
    {
        if (m == Matrix.Identity)
        {
            return null;
        }
        string N(double value, int digits) => Numbers.Brief(value, digits);
        var (e, f) = (N(m.E, 4), N(m.F, 4));
        var moves = f == "0" ? $"translate({e})" : $"translate({e} {f})";
        var parts = $"matrix({N(m.A, 5)} {N(m.B, 5)} {N(m.C, 5)} {N(m.D, 5)} {e} {f})";
        if (m.OnlyMoves)
        {
            return moves;
        }
        if (Math.Abs(m.B) < 1e-9 && Math.Abs(m.C) < 1e-9)
        {
            var scale = N(m.A, 5) == N(m.D, 5) ? $"scale({N(m.A, 5)})" : $"scale({N(m.A, 5)} {N(m.D, 5)})";
            var both = e == "0" && f == "0" ? scale : $"{moves}{scale}";
            return both.Length < parts.Length ? both : parts;
        }
        if (Math.Abs(m.A - m.D) < 1e-9 && Math.Abs(m.B + m.C) < 1e-9 && Math.Abs(m.A * m.A + m.B * m.B - 1) < 1e-9)
        {
            var turn = $"rotate({N(Math.Atan2(m.B, m.A) * 180 / Math.PI, 4)})";
            var both = e == "0" && f == "0" ? turn : $"{moves}{turn}";
            return both.Length < parts.Length ? both : parts;
        }
        return parts;
    }

    [GeneratedRegex(@"[-+]?(\d+\.?\d*|\.\d+)([eE][-+]?\d+)?")]
    private static partial Regex Number();
}
