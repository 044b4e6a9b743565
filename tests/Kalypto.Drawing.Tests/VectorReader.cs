using System.Globalization;
using System.Text;
using System.Xml.Linq;

namespace Kalypto.Drawing.Tests;

/// <summary>Draws Android's vector drawables back as SVG, by the reference of VectorDrawable and nothing else.</summary>
internal sealed class VectorReader
{
    private static readonly XNamespace Android = "http://schemas.android.com/apk/res/android";
    private static readonly XNamespace Aapt = "http://schemas.android.com/aapt";
    private readonly StringBuilder definitions = new();
    private int ids;

    public static string ToSvg(string vector)
    {
        var root = XDocument.Parse(vector).Root!;
        Assert.Equal("vector", root.Name.LocalName);
        var reader = new VectorReader();
        var body = string.Concat(root.Elements().Select(reader.Draw));
        return $"<svg xmlns='http://www.w3.org/2000/svg' width='{Side(root, "width")}' height='{Side(root, "height")}' viewBox='0 0 {Said(root, "viewportWidth")} {Said(root, "viewportHeight")}'><defs>{reader.definitions}</defs>{body}</svg>";
    }

    private string Draw(XElement node)
    {
        switch (node.Name.LocalName)
        {
            case "path":
                return $"<path d='{Said(node, "pathData")}' {Paint(node, "fill")} {Paint(node, "stroke")} fill-rule='{(Said(node, "fillType") ?? "nonZero").ToLowerInvariant()}' stroke-width='{Said(node, "strokeWidth") ?? "0"}'"
                    + $" stroke-linecap='{Said(node, "strokeLineCap") ?? "butt"}' stroke-linejoin='{Said(node, "strokeLineJoin") ?? "miter"}' stroke-miterlimit='{Said(node, "strokeMiterLimit") ?? "4"}'/>";
            case "group":
                var clip = node.Elements("clip-path").SingleOrDefault();
                var id = $"c{++ids}";
                if (clip is not null)
                {
                    definitions.Append(CultureInfo.InvariantCulture, $"<clipPath id='{id}'><path d='{Said(clip, "pathData")}'/></clipPath>");
                }
                return $"<g{(clip is null ? "" : $" clip-path='url(#{id})'")}>{string.Concat(node.Elements().Where(e => e != clip).Select(Draw))}</g>";
            default:
                throw new InvalidOperationException($"A vector drawable has no {node.Name}.");
        }
    }

    private string Paint(XElement node, string what)
    {
        if (node.Elements(Aapt + "attr").SingleOrDefault(e => (string?)e.Attribute("name") == $"android:{what}Color") is { } nested)
        {
            return $"{what}='{Gradient(nested.Elements().Single())}'";
        }
        var (colour, opacity) = Said(node, what + "Color") is { } said ? Colour(said) : ("none", 1);
        return string.Create(CultureInfo.InvariantCulture, $"{what}='{colour}' {what}-opacity='{opacity}'");
    }

    private string Gradient(XElement node)
    {
        var id = $"g{++ids}";
        var spread = Said(node, "tileMode") switch { "mirror" => "reflect", "repeat" => "repeat", _ => "pad" };
        var (name, place) = Said(node, "type") == "linear"
            ? ("linearGradient", $"x1='{Said(node, "startX")}' y1='{Said(node, "startY")}' x2='{Said(node, "endX")}' y2='{Said(node, "endY")}'")
            : ("radialGradient", $"cx='{Said(node, "centerX")}' cy='{Said(node, "centerY")}' r='{Said(node, "gradientRadius")}'");
        definitions.Append(CultureInfo.InvariantCulture, $"<{name} id='{id}' gradientUnits='userSpaceOnUse' spreadMethod='{spread}' {place}>");
        foreach (var item in node.Elements("item"))
        {
            var (colour, opacity) = Colour(Said(item, "color")!);
            definitions.Append(CultureInfo.InvariantCulture, $"<stop offset='{Said(item, "offset")}' stop-color='{colour}' stop-opacity='{opacity}'/>");
        }
        definitions.Append(CultureInfo.InvariantCulture, $"</{name}>");
        return $"url(#{id})";
    }

    private static (string Colour, double Opacity) Colour(string argb)
    {
        Assert.Matches("^#[0-9A-F]{8}$", argb);
        return ($"#{argb[3..]}", int.Parse(argb.AsSpan(1, 2), NumberStyles.HexNumber, CultureInfo.InvariantCulture) / 255.0);
    }

    private static string Side(XElement root, string name)
    {
        Assert.EndsWith("dp", Said(root, name), StringComparison.Ordinal);
        return Said(root, name)![..^2];
    }

    private static string? Said(XElement node, string name) => (string?)node.Attribute(Android + name);
}
