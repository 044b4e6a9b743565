using System.Runtime.CompilerServices;

namespace Kalypto.Core.Designs;

/// <summary>The colours that a layer is painted with.</summary>
public static class PaintColours
{
    private static readonly ConditionalWeakTable<Layer, StrongBox<bool>> Known = [];

    /// <summary>True when everything in the layer is painted in one colour, so that code may give it another.</summary>
    public static bool IsOne(Layer layer) => Known.GetValue(layer, l => new(Find(l))).Value;

    /// <summary>The plain colours of the shapes of a layer with the shapes, those beneath first; gradients, pictures and words are left out.</summary>
    public static IEnumerable<(Element Shape, Colour Colour)> Of(Layer layer)
    {
        foreach (var (shape, paint) in Paints(layer))
        {
            if (paint is not null && Colour.Parse(paint) is { Alpha: > 0 } colour)
            {
                yield return (shape, colour);
            }
        }
    }

    private static bool Find(Layer layer)
    {
        var colours = new HashSet<string>();
        foreach (var (_, paint) in Paints(layer))
        {
            if (paint is null || paint.StartsWith("url", StringComparison.Ordinal))
            {
                return false;
            }
            colours.Add(Colour.Parse(paint)?.ToHex() ?? paint);
        }
        return colours.Count == 1;
    }

    private static IEnumerable<(Element Shape, string? Paint)> Paints(Layer layer)
    {
        var inherited = (Fill: "#000000", Stroke: "none");
        foreach (var around in layer.DrawnAncestors().Reverse())
        {
            inherited = (around.Element.Style("fill") ?? inherited.Fill, around.Element.Style("stroke") ?? inherited.Stroke);
        }
        return Walk(layer.Element, inherited);
    }

    // No paint stands for what is not painted in colours: pictures, words, what a filter or mask changes.
    private static IEnumerable<(Element Shape, string? Paint)> Walk(Element element, (string Fill, string Stroke) inherited)
    {
        var own = (Fill: element.Style("fill") ?? inherited.Fill, Stroke: element.Style("stroke") ?? inherited.Stroke);
        if (element.Name is "image" or "use" or "text" || element.Style("filter") is not (null or "none") || element.Style("mask") is not (null or "none"))
        {
            yield return (element, null);
        }
        if (element.Name is "path" or "rect" or "circle" or "ellipse" or "line" or "polyline" or "polygon")
        {
            foreach (var paint in new[] { own.Fill, own.Stroke }.Where(p => p is not ("none" or "transparent")))
            {
                yield return (element, paint);
            }
        }
        foreach (var paint in element.Elements.SelectMany(child => Walk(child, own)))
        {
            yield return paint;
        }
    }
}
