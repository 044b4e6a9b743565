using System.Runtime.CompilerServices;

namespace Kalypto.Core.Designs;

/// <summary>The colours that a layer is painted with.</summary>
public static class PaintColours
{
    private static readonly ConditionalWeakTable<Layer, StrongBox<bool>> Known = [];

    /// <summary>True when everything in the layer is painted in one colour, so that code may give it another.</summary>
    public static bool IsOne(Layer layer) => Known.GetValue(layer, l => new(Find(l))).Value;

    private static bool Find(Layer layer)
    {
        var colours = new HashSet<string>();
        var inherited = (Fill: "#000000", Stroke: "none");
        foreach (var around in layer.DrawnAncestors().Reverse())
        {
            inherited = (around.Element.Style("fill") ?? inherited.Fill, around.Element.Style("stroke") ?? inherited.Stroke);
        }
        return Walk(layer.Element, inherited, colours) && colours.Count == 1;
    }

    // False for what is not a plain colour.
    private static bool Walk(Element element, (string Fill, string Stroke) inherited, HashSet<string> colours)
    {
        var own = (Fill: element.Style("fill") ?? inherited.Fill, Stroke: element.Style("stroke") ?? inherited.Stroke);
        if (element.Name is "image" or "use" or "text" || element.Style("filter") is not (null or "none") || element.Style("mask") is not (null or "none"))
        {
            return false;
        }
        if (element.Name is "path" or "rect" or "circle" or "ellipse" or "line" or "polyline" or "polygon")
        {
            foreach (var paint in new[] { own.Fill, own.Stroke })
            {
                if (paint.StartsWith("url", StringComparison.Ordinal))
                {
                    return false;
                }
                if (paint is not "none" and not "transparent")
                {
                    colours.Add(Colour.Parse(paint)?.ToHex() ?? paint);
                }
            }
        }
        return element.Elements.All(child => Walk(child, own, colours));
    }
}
