using Kalypto.Core.Designs;

namespace Kalypto.Core.Exporting.SvgRules;

/// <summary>Rectangles, lines and polygons as paths, where that is shorter and lets transforms go into the numbers.</summary>
internal sealed class ShapesAsPaths : ISvgRule
{
    public void Apply(ExportNode root, int decimals)
    {
        foreach (var node in root.SelfAndDescendants())
        {
            if (node["id"] is null && PathOf(node) is { } data)
            {
                node.Attributes.RemoveAll(a => a.Key is "x" or "y" or "width" or "height" or "x1" or "y1" or "x2" or "y2" or "points");
                node.Name = "path";
                node["d"] = data;
            }
        }
    }

    private static string? PathOf(ExportNode node)
    {
        string? N(string name) => node[name] is null ? "0" : Numbers.Length(node[name]) is { } number ? Numbers.Text(number) : null;
        switch (node.Name)
        {
            case "rect" when node["rx"] is null or "0" && node["ry"] is null or "0":
                return N("x") is { } x && N("y") is { } y && Numbers.Length(node["width"]) is { } w && Numbers.Length(node["height"]) is { } h
                    ? $"M{x} {y}h{Numbers.Text(w)}v{Numbers.Text(h)}h{Numbers.Text(-w)}z" : null;
            case "line":
                return N("x1") is { } ax && N("y1") is { } ay && N("x2") is { } bx && N("y2") is { } by ? $"M{ax} {ay}L{bx} {by}" : null;
            case "polyline" or "polygon" when Numbers.List(node["points"]?.Replace("-", " -", StringComparison.Ordinal).Replace("e -", "e-", StringComparison.Ordinal)) is { Length: >= 4 } points:
                var pairs = points.Length / 2;
                return "M" + string.Join('L', Enumerable.Range(0, pairs).Select(i => $"{Numbers.Text(points[2 * i])} {Numbers.Text(points[2 * i + 1])}")) + (node.Name == "polygon" ? "z" : "");
            default:
                return null;
        }
    }
}
