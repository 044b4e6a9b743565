using System.Collections.Frozen;
using System.Globalization;
using Kalypto.Core.Designs;

namespace Kalypto.Core.Exporting.SvgRules;

/// <summary>Takes the drawing's own root and the boxes of its screens out from between the file and the layer, where nothing in them needs their box.</summary>
internal sealed class PlainRoot : ISvgRule
{
    private static readonly FrozenSet<string> OfTheBox = FrozenSet.Create("x", "y", "width", "height", "viewBox", "overflow", "preserveAspectRatio");

    public void Apply(ExportNode root, int decimals)
    {
        if (root.Elements.LastOrDefault() is not { Name: "svg" } inner || root.SelfAndDescendants().Any(HasShares))
        {
            return;
        }
        if (!root.SelfAndDescendants().Any(n => n != root && n != inner && n.Name == "svg" && n["width"] is null))
        {
            AsGroup(inner, null);
        }
        foreach (var box in inner.SelfAndDescendants().Where(n => n.Name == "svg" && n["overflow"] == "visible" && !n.IsPlacedByStyle).ToList())
        {
            if (Placed(box) is { } matrix)
            {
                AsGroup(box, matrix);
            }
        }
    }

    // What is measured in shares of a box needs it.
    private static bool HasShares(ExportNode node) => node.Attributes.Any(a => a.Value.EndsWith('%') && a.Key is not ("offset" or "style"));

    private static void AsGroup(ExportNode node, Matrix? matrix)
    {
        node.Name = "g";
        node.Attributes.RemoveAll(a => OfTheBox.Contains(a.Key) || a.Key.StartsWith("xmlns", StringComparison.Ordinal));
        if (matrix is { } m && m != Matrix.Identity)
        {
            var own = string.Create(CultureInfo.InvariantCulture, $"matrix({m.A} {m.B} {m.C} {m.D} {m.E} {m.F})");
            node["transform"] = node["transform"] is { } outer ? $"{outer} {own}" : own;
        }
    }

    /// <summary>What the box does to that which lies in it (SVG 2, 8.2 and 8.6); null where that is not plain.</summary>
    private static Matrix? Placed(ExportNode box)
    {
        var (x, y) = (box.Number("x"), box.Number("y"));
        if (box["viewBox"] is null)
        {
            return new(1, 0, 0, 1, x, y);
        }
        if (Numbers.List(box["viewBox"]) is not [var left, var top, > 0 and var wide, > 0 and var tall] || Numbers.Length(box["width"]) is not { } width || Numbers.Length(box["height"]) is not { } height)
        {
            return null;
        }
        var (across, down) = (width / wide, height / tall);
        if (box["preserveAspectRatio"]?.Trim() is { } ratio && ratio is not ("xMidYMid" or "xMidYMid meet"))
        {
            return ratio == "none" ? new(across, 0, 0, down, x - left * across, y - top * down) : null;
        }
        var scale = Math.Min(across, down);
        return new(scale, 0, 0, scale, x + (width - wide * scale) / 2 - left * scale, y + (height - tall * scale) / 2 - top * scale);
    }
}
