using System.Globalization;
using System.Text;
using Kalypto.Core.Designs;
using Kalypto.Core.Shapes;

namespace Kalypto.Core.Exporting;

/// <summary>Writes what lies in a vector drawable, one path a shape.</summary>
internal sealed class VectorBody
{
    private const int MostUses = 64;
    private const int Decimals = 3;
    private const double Alike = 1e-4;
    private readonly Dictionary<string, ExportNode> ids = new(StringComparer.Ordinal);
    private readonly StringBuilder text = new();
    private readonly ExportNode root;
    private bool sawText;
    private int uses;

    public VectorBody(ExportNode root)
    {
        this.root = root;
        foreach (var node in root.SelfAndDescendants())
        {
            if (node["id"] is { } id)
            {
                ids.TryAdd(id, node);
            }
        }
    }

    /// <summary>The paths.</summary>
    /// <param name="matrix">From the drawing to the viewport.</param>
    /// <exception cref="VectorRefusedException">Something cannot be shown.</exception>
    public string Write(Matrix matrix)
    {
        Children(root, matrix, new VectorPaint(), 1);
        return sawText ? throw new VectorRefusedException(new VectorRefusal("it has text", IsText: true)) : text.ToString();
    }

    private void Children(ExportNode node, Matrix matrix, VectorPaint paint, int depth)
    {
        foreach (var child in node.Elements)
        {
            Walk(child, matrix, paint, depth);
        }
    }

    private void Walk(ExportNode node, Matrix matrix, VectorPaint around, int depth)
    {
        if (node.Name is "defs" or "symbol" or "clipPath" or "mask" or "linearGradient" or "radialGradient" or "pattern" or "filter" or "marker" || node["display"] == "none")
        {
            return;
        }
        var paint = around.With(node);
        if (paint.Hidden && Properties.Shapes.Contains(node.Name))
        {
            return;
        }
        if (Says(node, "filter"))
        {
            throw new VectorRefusedException("it has a blur or shadow");
        }
        if (Says(node, "mask"))
        {
            throw new VectorRefusedException("it has a mask");
        }
        if (node["style"] is { } style && (Designs.StyleText.Find(style, "mix-blend-mode") ?? "normal") != "normal")
        {
            throw new VectorRefusedException("it has a blend mode");
        }
        if (node.Name is "image" or "foreignObject")
        {
            throw new VectorRefusedException("it has a picture in it");
        }
        if (node.Name is "text")
        {
            sawText = true;
            return;
        }
        if (node["transform"] is { } transform)
        {
            matrix *= Matrix.Parse(transform) ?? throw new VectorRefusedException("it has a transform that is not understood");
        }
        if (node.Name == "use")
        {
            // Where it is put counts for its clip too (SVG 1.1, 5.6).
            matrix *= new Matrix(1, 0, 0, 1, node.Number("x"), node.Number("y"));
        }
        if (Numbers.Length(node["opacity"]) is { } opacity and < 1)
        {
            if (!Properties.Shapes.Contains(node.Name) && Overlaps(node))
            {
                throw new VectorRefusedException("a group in it is half transparent over parts that overlap");
            }
            paint = paint with { Opacity = paint.Opacity * Math.Max(0, opacity) };
        }
        var clip = Says(node, "clip-path") ? ClipOf(node, matrix) : null;
        if (clip is not null)
        {
            text.Append(' ', depth * 2).Append("<group>\n").Append(' ', depth * 2 + 2).Append(CultureInfo.InvariantCulture, $"<clip-path android:pathData=\"{clip}\"/>\n");
            depth++;
        }
        switch (node.Name)
        {
            case "use":
                Use(node, matrix, paint, depth);
                break;
            case "svg" or "g" or "a" or "switch":
                Children(node, node.Name == "svg" && node != root ? matrix * Nested(node) : matrix, paint, depth);
                break;
            default:
                if (node.Outline() is { Count: > 0 } outline)
                {
                    Path(node, outline, matrix, paint, depth);
                }
                break;
        }
        if (clip is not null)
        {
            text.Append(' ', depth * 2 - 2).Append("</group>\n");
        }
    }

    /// <summary>The transform of an inner drawing's own box.</summary>
    private static Matrix Nested(ExportNode node)
    {
        var (x, y) = (node.Number("x"), node.Number("y"));
        if (Numbers.List(node["viewBox"]) is not [var left, var top, > 0 and var width, > 0 and var height])
        {
            return new(1, 0, 0, 1, x, y);
        }
        var (w, h) = (node.Number("width", width), node.Number("height", height));
        var scale = Math.Min(w / width, h / height);
        return new(scale, 0, 0, scale, x + (w - width * scale) / 2 - left * scale, y + (h - height * scale) / 2 - top * scale);
    }

    private void Use(ExportNode node, Matrix matrix, VectorPaint paint, int depth)
    {
        if (++uses > MostUses || node["href"] is not ['#', .. var id] || !ids.TryGetValue(id, out var target))
        {
            throw new VectorRefusedException("it repeats something that is not there, or too often");
        }
        if (target.Name == "symbol")
        {
            var inner = new ExportNode("svg") { ["viewBox"] = target["viewBox"], ["width"] = node["width"], ["height"] = node["height"] };
            Children(target, target["viewBox"] is null ? matrix : matrix * Nested(inner), paint.With(target), depth);
        }
        else
        {
            Walk(target, matrix, paint, depth);
        }
        uses--;
    }

    private void Path(ExportNode node, List<PathSegment> outline, Matrix matrix, VectorPaint paint, int depth)
    {
        if (paint.Markers)
        {
            throw new VectorRefusedException("it has markers on its lines");
        }
        var fill = Brush("fillColor", paint.Fill, paint.FillOpacity * paint.Opacity, outline, matrix, depth);
        var stroke = Brush("strokeColor", paint.Stroke, paint.StrokeOpacity * paint.Opacity, outline, matrix, depth);
        if (fill is null && stroke is null)
        {
            return;
        }
        if (fill is not null && stroke is not null && paint.Opacity < 1)
        {
            throw new VectorRefusedException("a shape in it is half transparent with fill and stroke");
        }
        if (fill is not null && stroke is not null && paint.StrokeFirst)
        {
            // Android fills first, so the line is a path of its own below.
            Path(node, outline, matrix, paint with { Fill = "none", StrokeFirst = false }, depth);
            Path(node, outline, matrix, paint with { Stroke = "none", StrokeFirst = false }, depth);
            return;
        }
        var indent = new string(' ', depth * 2);
        text.Append(indent).Append(CultureInfo.InvariantCulture, $"<path android:pathData=\"{PathWriter.Write(PathTransform.Apply(outline, matrix), Decimals, compact: false)}\"");
        if (paint.FillRule == "evenodd" && fill is not null)
        {
            text.Append(" android:fillType=\"evenOdd\"");
        }
        if (stroke is not null)
        {
            Stroke(node, matrix, paint);
        }
        var plain = new[] { fill, stroke }.Where(b => b is not null && !b.StartsWith('<'));
        var nested = new[] { fill, stroke }.Where(b => b is not null && b.StartsWith('<')).ToList();
        text.AppendJoin("", plain.Select(b => " " + b));
        if (nested.Count == 0)
        {
            text.Append("/>\n");
            return;
        }
        text.Append(">\n");
        foreach (var brush in nested)
        {
            text.Append(indent).Append("  ").Append(brush!.Replace("\n", "\n  " + indent, StringComparison.Ordinal)).Append('\n');
        }
        text.Append(indent).Append("</path>\n");
    }

    private void Stroke(ExportNode node, Matrix matrix, VectorPaint paint)
    {
        if (paint.Dashes is not (null or "none"))
        {
            throw new VectorRefusedException("it has dashed lines");
        }
        if (!IsEven(matrix))
        {
            throw new VectorRefusedException("it has a line that is stretched more one way than the other");
        }
        var factor = node["vector-effect"] == "non-scaling-stroke" ? 1 : Math.Sqrt(Math.Abs(matrix.A * matrix.D - matrix.B * matrix.C));
        text.Append(CultureInfo.InvariantCulture, $" android:strokeWidth=\"{Numbers.Text((Numbers.Length(paint.StrokeWidth) ?? 1) * factor, Decimals)}\"");
        if (paint.LineCap is not "butt")
        {
            text.Append(CultureInfo.InvariantCulture, $" android:strokeLineCap=\"{paint.LineCap}\"");
        }
        if (paint.LineJoin is not "miter")
        {
            text.Append(CultureInfo.InvariantCulture, $" android:strokeLineJoin=\"{(paint.LineJoin is "round" or "bevel" ? paint.LineJoin : "miter")}\"");
        }
        if (paint.MiterLimit is not "4")
        {
            text.Append(CultureInfo.InvariantCulture, $" android:strokeMiterLimit=\"{paint.MiterLimit}\"");
        }
    }

    /// <summary>A colour as an attribute or a gradient as an element; null for nothing to see.</summary>
    private string? Brush(string attribute, string value, double opacity, List<PathSegment> outline, Matrix matrix, int depth)
    {
        if (value is "none" or "transparent" || opacity <= 0)
        {
            return null;
        }
        if (References.IsReference(value))
        {
            var id = References.Of("fill", value).FirstOrDefault();
            if (id is null || !ids.TryGetValue(id, out var server))
            {
                // What is not there paints with the colour behind it, or nothing.
                var behind = value[(value.IndexOf(')', StringComparison.Ordinal) + 1)..].Trim();
                return behind.Length == 0 ? null : Brush(attribute, behind, opacity, outline, matrix, depth);
            }
            if (server.Name == "pattern")
            {
                throw new VectorRefusedException("it is filled with a pattern");
            }
            return new VectorGradient(ids).Write(attribute, server, opacity, PathBounds.Of(outline), matrix);
        }
        if (Colour.Parse(value) is not { } colour)
        {
            throw new VectorRefusedException($"its colour “{value}” is not understood");
        }
        return $"android:{attribute}=\"{Argb(colour, opacity)}\"";
    }

    internal static string Argb(Colour colour, double opacity) =>
        $"#{(int)Math.Round(Math.Clamp(colour.Alpha * opacity, 0, 1) * 255):X2}{colour.Red:X2}{colour.Green:X2}{colour.Blue:X2}";

    internal static bool IsEven(Matrix m) => Math.Abs(m.A * m.C + m.B * m.D) < Alike * Math.Max(1, m.A * m.A + m.B * m.B)
        && Math.Abs(Math.Sqrt(m.A * m.A + m.B * m.B) - Math.Sqrt(m.C * m.C + m.D * m.D)) < Alike * Math.Max(1, Math.Sqrt(m.A * m.A + m.B * m.B));

    private string ClipOf(ExportNode node, Matrix matrix)
    {
        var id = References.Of("clip-path", node["clip-path"]!).FirstOrDefault();
        if (id is null || !ids.TryGetValue(id, out var clip) || clip.Name != "clipPath" || Says(clip, "clip-path"))
        {
            throw new VectorRefusedException("it has a clip that is not understood");
        }
        if (clip["clipPathUnits"] == "objectBoundingBox")
        {
            if (node.Outline() is not { } shape || PathBounds.Of(shape) is not { } box)
            {
                throw new VectorRefusedException("it has a clip that counts from a group's box");
            }
            matrix *= new Matrix(box.Width, 0, 0, box.Height, box.X, box.Y);
        }
        matrix *= Matrix.Parse(clip["transform"]) ?? Matrix.Identity;
        var all = new List<PathSegment>();
        foreach (var child in clip.Elements)
        {
            var inner = matrix * (Matrix.Parse(child["transform"]) ?? Matrix.Identity);
            var shape = child.Name == "use" && child["href"] is ['#', .. var target] && ids.TryGetValue(target, out var used) ? used : child;
            if (shape != child)
            {
                inner *= new Matrix(1, 0, 0, 1, child.Number("x"), child.Number("y")) * (Matrix.Parse(shape["transform"]) ?? Matrix.Identity);
            }
            if (shape.Outline() is not { } outline || Says(child, "clip-path") || (child["clip-rule"] ?? clip["clip-rule"]) == "evenodd" && outline.Count(s => s.Command == 'M') > 1)
            {
                throw new VectorRefusedException("it has a clip that is not made of plain shapes");
            }
            all.AddRange(PathTransform.Apply(outline, inner));
        }
        return all.Count == 0 ? "M0,0z" : PathWriter.Write(all, Decimals, compact: false);
    }

    /// <summary>True when shapes in a group may lie over one another, or one has both fill and stroke.</summary>
    private static bool Overlaps(ExportNode group)
    {
        var boxes = new List<Box>();
        foreach (var node in group.SelfAndDescendants().Where(n => Properties.Shapes.Contains(n.Name) || n.Name == "use"))
        {
            if (node["transform"] is not null || node.Name == "use" || node.Outline() is not { } outline || PathBounds.Of(outline) is not { } box || boxes.Any(b => !b.Intersect(box).IsEmpty))
            {
                return group.SelfAndDescendants().Count(n => Properties.Shapes.Contains(n.Name) || n.Name == "use") > 1;
            }
            boxes.Add(box);
        }
        return false;
    }

    private static bool Says(ExportNode node, string property) => node[property] is not (null or "none");
}
