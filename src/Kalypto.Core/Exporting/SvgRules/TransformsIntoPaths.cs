using Kalypto.Core.Designs;
using Kalypto.Core.Shapes;

namespace Kalypto.Core.Exporting.SvgRules;

/// <summary>Puts transforms into the numbers of paths, where nothing else on the path depends on them.</summary>
internal sealed class TransformsIntoPaths : ISvgRule
{
    /// <summary>What reaches an element from around it, as far as its look depends on its own coordinates.</summary>
    private sealed record Around(string? Fill, string? Stroke, string? Dashes, bool HasBox)
    {
        public Around Inside(ExportNode node) => new(node["fill"] ?? Fill, node["stroke"] ?? Stroke, node["stroke-dasharray"] ?? Dashes,
            HasBox || Boxed.Any(name => References.IsReference(node[name])));

        /// <summary>True when gradients, patterns or dashes are measured in the coordinates of the element.</summary>
        public bool IsMeasured => References.IsReference(Fill) || References.IsReference(Stroke) || Stroke is not (null or "none") && Dashes is not (null or "none");
    }

    // What these do may count from the box of all that lies in the element. Renderers take the box of what is turned to be that of
    // its turned box, which is larger than that of the same path in turned numbers.
    private static readonly string[] Boxed = ["filter", "mask", "clip-path"];

    public void Apply(ExportNode root, int decimals) => Walk(root, false, new(null, null, null, false));

    private static void Walk(ExportNode node, bool isDefinition, Around around)
    {
        var here = around.Inside(node);
        isDefinition |= node.Name is "clipPath" or "mask" or "pattern" or "marker" or "symbol";
        foreach (var child in node.Elements)
        {
            Walk(child, isDefinition, here);
        }
        if (node["transform"] is not { } text || Matrix.Parse(text) is not { } matrix || here.IsMeasured || DependsOnTransform(node) || HasReference(node)
            || here.HasBox && (Math.Abs(matrix.B) > 1e-9 || Math.Abs(matrix.C) > 1e-9))
        {
            return;
        }
        if (node.Name == "path" && node["d"] is { } data && StrokeAfter(node, here.Stroke, matrix) is var (ok, width) && ok)
        {
            node["d"] = PathText.Of(PathTransform.Apply(PathData.Segments(data), matrix));
            node["transform"] = null;
            if (width is not null)
            {
                node["stroke-width"] = width;
            }
        }
        // A group that only moves, turns or scales hands that on to what lies in it, where all of it can take it.
        else if (node.Name == "g" && !isDefinition && node["id"] is null && here.Stroke is null or "none"
            && node.Children.Count > 0 && node.Elements.All(c => c.Name is "path" or "g" && c["id"] is null && !c.IsPlacedByStyle)
            && !node.SelfAndDescendants().Any(n => n["stroke"] is not (null or "none") || HasReference(n)))
        {
            node["transform"] = null;
            foreach (var child in node.Elements)
            {
                child["transform"] = $"{text}{(child["transform"] is { } own ? " " + own : "")}";
                Walk(child, isDefinition, here);
            }
        }
    }

    private static bool HasReference(ExportNode node) => node.Attributes.Any(a => References.IsReference(a.Value));

    private static bool DependsOnTransform(ExportNode node) => node["style"] is not null || node["vector-effect"] is not null;

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
