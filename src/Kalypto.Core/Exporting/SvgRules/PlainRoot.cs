using System.Collections.Frozen;

namespace Kalypto.Core.Exporting.SvgRules;

/// <summary>Takes the drawing's own root out from between the file and the layer, where nothing in it needs its box.</summary>
internal sealed class PlainRoot : ISvgRule
{
    private static readonly FrozenSet<string> OfTheBox = FrozenSet.Create("x", "y", "width", "height", "viewBox", "overflow", "preserveAspectRatio");

    public void Apply(ExportNode root, int decimals)
    {
        if (root.Elements.LastOrDefault() is not { Name: "svg" } inner
            || root.SelfAndDescendants().Any(n => n.Attributes.Any(a => a.Value.EndsWith('%') && a.Key is not ("offset" or "style")) || n != root && n != inner && n.Name == "svg" && n["width"] is null))
        {
            return;
        }
        inner.Name = "g";
        inner.Attributes.RemoveAll(a => OfTheBox.Contains(a.Key) || a.Key.StartsWith("xmlns", StringComparison.Ordinal));
    }
}
