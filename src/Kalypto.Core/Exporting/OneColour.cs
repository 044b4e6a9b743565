using Kalypto.Core.Designs;

namespace Kalypto.Core.Exporting;

/// <summary>A drawing in one colour takes that of the text around it.</summary>
internal static class OneColour
{
    private const string Current = "currentColor";

    /// <summary>Puts <c>currentColor</c> in the place of the colour, where there is but one and nothing else paints.</summary>
    public static void Take(ExportNode root)
    {
        if (root.SelfAndDescendants().Any(n => n.Name is "image" or "text" or "filter" or "mask" or "pattern" or "use" or "foreignObject" || n["style"] is not null))
        {
            return;
        }
        var colours = new HashSet<string>(StringComparer.Ordinal);
        var isDefault = false;
        Walk(root, null, null);
        if (colours.Count != 1)
        {
            return;
        }
        foreach (var node in root.SelfAndDescendants())
        {
            foreach (var property in new[] { "fill", "stroke" })
            {
                node[property] = node[property] is null or "none" ? node[property] : Current;
            }
        }
        if (isDefault)
        {
            root["fill"] ??= Current;
        }

        void Walk(ExportNode node, string? fill, string? stroke)
        {
            fill = node["fill"] ?? fill;
            stroke = node["stroke"] ?? stroke;
            if (node.Name is "clipPath" or "defs")
            {
                return;
            }
            if (Properties.Shapes.Contains(node.Name))
            {
                isDefault |= fill is null;
                Add(fill ?? "#000");
                Add(stroke ?? "none");
            }
            foreach (var child in node.Elements)
            {
                Walk(child, fill, stroke);
            }
        }

        void Add(string paint)
        {
            if (paint != "none")
            {
                colours.Add(Colour.Parse(paint)?.ToShortText() ?? paint + " ?");
            }
        }
    }
}
