using System.Globalization;
using Kalypto.Core.Designs;

namespace Kalypto.Core.Exporting.SvgRules;

/// <summary>Where shapes lie and how large they are, as attributes in units of the drawing: from style sheets, and from shares of what they lie in (SVG 2, section 8.9).</summary>
internal static class PlainGeometry
{
    private static readonly Dictionary<string, string[]> Names = new()
    {
        ["svg"] = ["x", "y", "width", "height"],
        ["rect"] = ["x", "y", "width", "height", "rx", "ry"],
        ["image"] = ["x", "y", "width", "height"],
        ["use"] = ["x", "y", "width", "height"],
        ["circle"] = ["cx", "cy", "r"],
        ["ellipse"] = ["cx", "cy", "rx", "ry"],
        ["line"] = ["x1", "y1", "x2", "y2"],
        ["text"] = ["x", "y"],
    };

    /// <summary>Says all of it at a node and what lies in it.</summary>
    /// <param name="node">The node.</param>
    /// <param name="around">The size of what it lies in, in units of the drawing; null where that is not known.</param>
    public static void Apply(ExportNode node, (double Width, double Height)? around = null)
    {
        var names = Names.GetValueOrDefault(node.Name) ?? [];
        if (names.Length > 0 && node["style"] is { } style)
        {
            var declared = StyleText.Parse(style);
            foreach (var (name, value) in declared.Where(d => names.Contains(d.Name) && Length(d.Value, d.Name, (1, 1)) is not null))
            {
                node[name] = value;
            }
            node["style"] = StyleText.Write(declared.Where(d => node[d.Name] != d.Value || !names.Contains(d.Name)).Select(d => KeyValuePair.Create(d.Name, d.Value))) is { Length: > 0 } rest ? rest : null;
        }
        foreach (var name in names)
        {
            if (node[name] is { } said && (said.EndsWith('%') || said.EndsWith("px", StringComparison.Ordinal)) && Length(said, name, around) is { } number)
            {
                node[name] = Numbers.Text(number, 6);
            }
        }
        // What is defined may be drawn anywhere, or counts from a box.
        var inside = node.Name is "defs" or "symbol" or "pattern" or "marker" or "mask" or "clipPath" ? null : node.Name != "svg" ? around
            : Numbers.List(node["viewBox"]) is [_, _, var w, var h] ? (w, h) : Numbers.Length(node["width"]) is { } width && Numbers.Length(node["height"]) is { } height ? (width, height) : around;
        foreach (var child in node.Elements)
        {
            Apply(child, inside);
        }
    }

    private static double? Length(string text, string name, (double Width, double Height)? around)
    {
        if (!text.EndsWith('%'))
        {
            return Numbers.Length(text);
        }
        return around is { } box && double.TryParse(text.AsSpan(0, text.Length - 1), NumberStyles.Float, CultureInfo.InvariantCulture, out var share)
            ? share / 100 * (name is "x" or "cx" or "rx" or "width" or "x1" or "x2" ? box.Width : name == "r" ? Math.Sqrt((box.Width * box.Width + box.Height * box.Height) / 2) : box.Height) : null;
    }
}
