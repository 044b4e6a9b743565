using Kalypto.Core.Designs;

namespace Kalypto.Core.Exporting.SvgRules;

/// <summary>Puts transforms into the numbers of paths, where nothing else on the path depends on them.</summary>
internal sealed class TransformsIntoPaths : ISvgRule
{
    public void Apply(ExportNode root, int decimals) => Walk(root, false, null);

    private static void Walk(ExportNode node, bool isDefinition, string? stroke)
    {
        stroke = node["stroke"] ?? stroke;
        isDefinition |= node.Name is "clipPath" or "mask" or "pattern" or "marker" or "symbol";
        foreach (var child in node.Elements)
        {
            Walk(child, isDefinition, stroke);
        }
        if (node["transform"] is not { } text || Matrix.Parse(text) is not { } matrix)
        {
            return;
        }
        if (node.Name == "path" && node["d"] is { } data && !DependsOnTransform(node) && !node.Attributes.Any(a => a.Value.StartsWith("url(", StringComparison.Ordinal))
            && StrokeAfter(node, stroke, matrix) is var (ok, width) && ok)
        {
            node["d"] = PathText.Of(PathTransform.Apply(PathData.Segments(data), matrix));
            node["transform"] = null;
            if (width is not null)
            {
                node["stroke-width"] = width;
            }
        }
        // A group that only moves, turns or scales hands that on to what lies in it, where all of it can take it.
        else if (node.Name == "g" && !isDefinition && node["id"] is null && !DependsOnTransform(node) && !node.Attributes.Any(a => a.Value.StartsWith("url(", StringComparison.Ordinal))
            && node.Children.Count > 0 && node.Elements.All(c => c.Name is "path" or "g" && c["id"] is null && !c.Attributes.Any(a => a.Value.StartsWith("url(", StringComparison.Ordinal))) && node["stroke"] is null or "none" && stroke is null or "none"
            && !node.SelfAndDescendants().Any(n => n["stroke"] is not (null or "none") || n.Attributes.Any(a => a.Value.StartsWith("url(", StringComparison.Ordinal))))
        {
            node["transform"] = null;
            foreach (var child in node.Elements)
            {
                child["transform"] = $"{text}{(child["transform"] is { } own ? " " + own : "")}";
                Walk(child, isDefinition, stroke);
            }
        }
    }

    private static bool DependsOnTransform(ExportNode node) => node["style"] is not null || node["vector-effect"] is not null || node["stroke-dasharray"] is not (null or "none");

    // A stroke keeps its form only when all directions are scaled alike.
    private static (bool Ok, string? Width) StrokeAfter(ExportNode node, string? stroke, Matrix matrix)
    {
        if (stroke is null or "none")
        {
            return (true, null);
        }
        var (across, down) = (Math.Sqrt(matrix.A * matrix.A + matrix.B * matrix.B), Math.Sqrt(matrix.C * matrix.C + matrix.D * matrix.D));
        var skew = Math.Abs(matrix.A * matrix.C + matrix.B * matrix.D);
        if (Math.Abs(across - down) > 1e-6 || skew > 1e-6)
        {
            return (false, null);
        }
        // A width that is said around it would have to be known here; only one said on the path itself is scaled.
        return Math.Abs(across - 1) < 1e-9 ? (true, null)
            : Numbers.Length(node["stroke-width"]) is { } width ? (true, Numbers.Text(width * across)) : (false, null);
    }
}
