using System.Collections.Frozen;
using Kalypto.Core.Designs;
using Kalypto.Core.Shapes;

namespace Kalypto.Core.Exporting.SvgRules;

/// <summary>Drops what drawing programs leave and nothing draws: their own attributes, descriptions, empty groups, ids that nobody refers to.</summary>
internal sealed class NoLeftovers : ISvgRule
{
    private static readonly FrozenSet<string> NotDrawn = FrozenSet.Create("metadata", "title", "desc", "script", "style", "foreignObject", "view", "animate", "animateTransform", "animateMotion", "set");

    private static readonly FrozenSet<string> NotNeeded = FrozenSet.Create(
        "class", "version", "baseProfile", "enable-background", "role", "tabindex", "focusable", "lang", "xml:lang", "xml:space", "label", "zoomAndPan",
        "requiredFeatures", "requiredExtensions", "systemLanguage", "contentScriptType", "contentStyleType");

    public void Apply(ExportNode root, int decimals)
    {
        var used = root.ReferredIds();
        var hasText = root.SelfAndDescendants().Any(n => n.Name == "text");
        foreach (var node in root.SelfAndDescendants().ToList())
        {
            var inText = node.Name is "text" or "tspan" or "textPath";
            node.Attributes.RemoveAll(a => a.Key.StartsWith("data-", StringComparison.Ordinal) || a.Key.StartsWith("aria-", StringComparison.Ordinal)
                || a.Key.StartsWith("on", StringComparison.Ordinal) || NotNeeded.Contains(a.Key) && !(inText && a.Key == "xml:space")
                || a.Key == "id" && !used.Contains(a.Value) || a.Value.Length == 0);
            if (!hasText)
            {
                node.Attributes.RemoveAll(a => IsOfText(a.Key));
                if (node["style"] is { } style)
                {
                    node["style"] = StyleText.Write(StyleText.Parse(style).Where(d => !IsOfText(d.Name)).Select(d => KeyValuePair.Create(d.Name, d.Value))) is { Length: > 0 } rest ? rest : null;
                }
            }
            // Nothing outside can be reached from a file of its own.
            if (node.Name == "a")
            {
                node.Name = "g";
                node.Attributes.RemoveAll(a => a.Key is "href" or "target");
            }
            node.Children.RemoveAll(c => NotDrawn.Contains(c.Name) || c.IsText && !inText);
        }
        RemoveHidden(root);
    }

    private static bool IsOfText(string property) => property is "font" or "letter-spacing" or "word-spacing" or "direction" or "dominant-baseline" or "writing-mode" or "line-height" or "white-space" or "unicode-bidi"
        || property.StartsWith("font-", StringComparison.Ordinal) || property.StartsWith("text-", StringComparison.Ordinal) && property != "text-rendering";

    private static void RemoveHidden(ExportNode node)
    {
        foreach (var child in node.Elements)
        {
            RemoveHidden(child);
        }
        node.Children.RemoveAll(c => !c.IsText && !c.SelfAndDescendants().Any(n => n["id"] is not null) && (c["display"] == "none" || IsEmptyGroup(c) || IsEmptyShape(c)));
    }

    private static bool IsEmptyGroup(ExportNode node) => node.Name is "g" or "defs" && node.Children.Count == 0 && node["filter"] is null or "none";

    private static bool IsEmptyShape(ExportNode node) => node.Name switch
    {
        "path" => node["d"] is null or "none" || PathData.Start(node["d"]!) is null,
        "rect" or "image" => node["width"] is "0" || node["height"] is "0",
        "circle" => node["r"] is "0" || node["r"] is null && node["style"] is null,
        "ellipse" => node["rx"] is "0" || node["ry"] is "0",
        "polygon" or "polyline" => string.IsNullOrWhiteSpace(node["points"]),
        _ => false,
    };
}
