using System.Globalization;
using System.Text;
using Kalypto.Core.Designs;
using Kalypto.Core.Shapes;

namespace Kalypto.Core.Exporting;

/// <summary>Writes gradients of SVG as those of Android, with every transform in their numbers.</summary>
/// <param name="ids">The elements with an id.</param>
internal sealed class VectorGradient(Dictionary<string, ExportNode> ids)
{
    private const int MostSteps = 8;

    /// <summary>The gradient as an element for a path.</summary>
    /// <param name="attribute">fillColor or strokeColor.</param>
    /// <param name="gradient">The gradient in the drawing.</param>
    /// <param name="opacity">What its colours are multiplied by.</param>
    /// <param name="box">The box of the shape that it paints.</param>
    /// <param name="matrix">From the shape to the viewport.</param>
    public string Write(string attribute, ExportNode gradient, double opacity, Box? box, Matrix matrix)
    {
        var chain = Chain(gradient);
        string? Said(string name) => chain.Select(g => g[name]).FirstOrDefault(v => v is not null);
        var stops = chain.Select(g => g.Elements.Where(e => e.Name == "stop").ToList()).FirstOrDefault(s => s.Count > 0) ?? [];
        if (stops.Count == 0)
        {
            return $"android:{attribute}=\"#00000000\"";
        }
        var inBox = Said("gradientUnits") != "userSpaceOnUse";
        if (inBox)
        {
            if (box is not { IsEmpty: false } shape)
            {
                throw new VectorRefusedException("it has a gradient on a line without area");
            }
            matrix *= new Matrix(shape.Width, 0, 0, shape.Height, shape.X, shape.Y);
        }
        matrix *= Matrix.Parse(Said("gradientTransform")) ?? throw new VectorRefusedException("it has a gradient whose transform is not understood");
        double N(string name, double usual) => Said(name) is not { } value ? usual
            : value.EndsWith('%') && Numbers.Length(value[..^1]) is { } percent && inBox ? percent / 100
            : Numbers.Length(value) ?? throw new VectorRefusedException("it has a gradient in percentages of the whole drawing");
        var text = new StringBuilder($"<aapt:attr name=\"android:{attribute}\">\n  <gradient");
        if (gradient.Name == "radialGradient")
        {
            var (cx, cy, r) = (N("cx", 0.5), N("cy", 0.5), N("r", 0.5));
            if (!VectorBody.IsEven(matrix) || Math.Abs(N("fx", cx) - cx) > 1e-6 || Math.Abs(N("fy", cy) - cy) > 1e-6)
            {
                throw new VectorRefusedException("it has a round gradient that is stretched or off its middle");
            }
            var (x, y) = PathTransform.Point(cx, cy, matrix);
            text.Append(CultureInfo.InvariantCulture, $" android:type=\"radial\" android:centerX=\"{T(x)}\" android:centerY=\"{T(y)}\" android:gradientRadius=\"{T(r * Math.Sqrt(Math.Abs(matrix.A * matrix.D - matrix.B * matrix.C)))}\"");
        }
        else
        {
            var (x1, y1, x2, y2) = (N("x1", 0), N("y1", 0), N("x2", 1), N("y2", 0));
            var (sx, sy) = PathTransform.Point(x1, y1, matrix);
            var (ex, ey) = PathTransform.Point(x2, y2, matrix);
            // Lines of one colour stand upright on the gradient before the transform; after it the end moves to where they do so again.
            var (nx, ny) = (matrix.A * -(y2 - y1) + matrix.C * (x2 - x1), matrix.B * -(y2 - y1) + matrix.D * (x2 - x1));
            var along = nx * nx + ny * ny is var length && length > 1e-12 ? ((ex - sx) * nx + (ey - sy) * ny) / length : 0;
            (ex, ey) = (ex - along * nx, ey - along * ny);
            text.Append(CultureInfo.InvariantCulture, $" android:type=\"linear\" android:startX=\"{T(sx)}\" android:startY=\"{T(sy)}\" android:endX=\"{T(ex)}\" android:endY=\"{T(ey)}\"");
        }
        if (Said("spreadMethod") is { } spread and not "pad")
        {
            text.Append(CultureInfo.InvariantCulture, $" android:tileMode=\"{(spread == "reflect" ? "mirror" : "repeat")}\"");
        }
        text.Append(">\n");
        var last = 0.0;
        foreach (var stop in stops)
        {
            var offset = stop["offset"] is { } o ? o.EndsWith('%') ? (Numbers.Length(o[..^1]) ?? 0) / 100 : Numbers.Length(o) ?? 0 : 0;
            last = Math.Max(last, Math.Clamp(offset, 0, 1));
            var colour = Colour.Parse(stop["stop-color"] ?? "#000") ?? throw new VectorRefusedException("a colour of its gradient is not understood");
            text.Append(CultureInfo.InvariantCulture, $"    <item android:offset=\"{T(last)}\" android:color=\"{VectorBody.Argb(colour, opacity * (Numbers.Length(stop["stop-opacity"]) ?? 1))}\"/>\n");
        }
        return text.Append("  </gradient>\n</aapt:attr>").ToString();
    }

    private List<ExportNode> Chain(ExportNode gradient)
    {
        var chain = new List<ExportNode>();
        for (var next = gradient; next is not null && chain.Count < MostSteps && !chain.Contains(next); next = next["href"] is ['#', .. var id] ? ids.GetValueOrDefault(id) : null)
        {
            chain.Add(next);
        }
        return chain;
    }

    private static string T(double number) => Numbers.Text(number, 4);
}
