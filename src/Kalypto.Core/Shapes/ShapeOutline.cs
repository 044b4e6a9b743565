using Kalypto.Core.Designs;

namespace Kalypto.Core.Shapes;

/// <summary>The outline of any basic shape as a path (SVG 1.1, 9).</summary>
internal static class ShapeOutline
{
    /// <summary>The path; null for what is no shape or has a length that depends on something else.</summary>
    /// <param name="shape">The name of the element: <c>rect</c>.</param>
    /// <param name="attributes">What is said of it.</param>
    public static List<PathSegment>? Of(string shape, IEnumerable<KeyValuePair<string, string>> attributes)
    {
        var said = attributes.ToList();
        if (said.Exists(a => a.Value.EndsWith('%')))
        {
            return null;
        }
        string? Value(string name) => said.Find(a => a.Key == name).Value;
        double N(string name) => Numbers.Length(Value(name)) ?? 0;
        switch (shape)
        {
            case "path":
                return PathData.Segments(Value("d") ?? "");
            case "rect":
                return Rect(N("x"), N("y"), N("width"), N("height"), Value("rx") is null ? N("ry") : N("rx"), Value("ry") is null ? N("rx") : N("ry"));
            case "circle":
                return Ellipse(N("cx"), N("cy"), N("r"), N("r"));
            case "ellipse":
                return Ellipse(N("cx"), N("cy"), Value("rx") is null ? N("ry") : N("rx"), Value("ry") is null ? N("rx") : N("ry"));
            case "line":
                return [new('M', [N("x1"), N("y1")]), new('L', [N("x2"), N("y2")])];
            case "polyline" or "polygon":
                return PathData.Segments("M" + Value("points") + (shape == "polygon" ? "z" : ""));
            default:
                return null;
        }
    }

    private static List<PathSegment> Rect(double x, double y, double width, double height, double rx, double ry)
    {
        if (width <= 0 || height <= 0)
        {
            return [];
        }
        (rx, ry) = (Math.Clamp(rx, 0, width / 2), Math.Clamp(ry, 0, height / 2));
        if (rx == 0 || ry == 0)
        {
            return [new('M', [x, y]), new('L', [x + width, y]), new('L', [x + width, y + height]), new('L', [x, y + height]), new('Z', [])];
        }
        PathSegment Corner(double toX, double toY) => new('A', [rx, ry, 0, 0, 1, toX, toY]);
        return
        [
            new('M', [x + rx, y]), new('L', [x + width - rx, y]), Corner(x + width, y + ry), new('L', [x + width, y + height - ry]), Corner(x + width - rx, y + height),
            new('L', [x + rx, y + height]), Corner(x, y + height - ry), new('L', [x, y + ry]), Corner(x + rx, y), new('Z', []),
        ];
    }

    private static List<PathSegment> Ellipse(double cx, double cy, double rx, double ry) => rx <= 0 || ry <= 0 ? [] :
        [new('M', [cx - rx, cy]), new('A', [rx, ry, 0, 1, 1, cx + rx, cy]), new('A', [rx, ry, 0, 1, 1, cx - rx, cy]), new('Z', [])];
}
