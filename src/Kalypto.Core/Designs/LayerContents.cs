using System.Collections.Immutable;

namespace Kalypto.Core.Designs;

/// <summary>How much is in a layer, repeats followed.</summary>
/// <param name="Shapes">Paths, rectangles, circles and the like.</param>
/// <param name="Texts">Pieces of text.</param>
/// <param name="Pictures">Embedded pictures.</param>
public readonly record struct LayerContents(int Shapes, int Texts, int Pictures)
{
    private const int Most = 1_000_000;

    /// <summary>Everything together.</summary>
    public int Total => Shapes + Texts + Pictures;

    /// <summary>Adds up, to a limit.</summary>
    public static LayerContents operator +(LayerContents a, LayerContents b) =>
        new(Math.Min(Most, a.Shapes + b.Shapes), Math.Min(Most, a.Texts + b.Texts), Math.Min(Most, a.Pictures + b.Pictures));

    /// <summary>Counts all layers of a drawing, by ordinal.</summary>
    public static ImmutableArray<LayerContents> OfAll(DrawingTree drawing)
    {
        var definitions = new Dictionary<Element, LayerContents>();
        var counts = new LayerContents[drawing.Layers.Length];
        foreach (var layer in drawing.Layers.OrderByDescending(l => l.Depth))
        {
            counts[layer.Ordinal] = layer.ViewBox is not null ? default : layer.Content switch
            {
                LayerContent.Shape => new(1, 0, 0),
                LayerContent.Text => new(0, 1, 0),
                LayerContent.Image => new(0, 0, 1),
                LayerContent.Repeat => Referred(layer.Element),
                _ => layer.Children.Aggregate(default(LayerContents), (sum, child) => sum + counts[child.Ordinal]),
            };
        }
        return [.. counts];

        LayerContents Referred(Element use) =>
            use["href"] is ['#', .. var id] && drawing.Definitions.TryGetValue(id, out var definition) ? Inside(definition.Element) : new(1, 0, 0);

        // The reader has refused drawings that repeat themselves.
        LayerContents Inside(Element element)
        {
            if (definitions.TryGetValue(element, out var known))
            {
                return known;
            }
            var count = element.Name switch
            {
                "path" or "rect" or "circle" or "ellipse" or "line" or "polyline" or "polygon" => new(1, 0, 0),
                "text" => new(0, 1, 0),
                "image" => new(0, 0, 1),
                "use" => Referred(element),
                "defs" or "clipPath" or "mask" or "pattern" or "filter" or "marker" or "linearGradient" or "radialGradient" => default,
                _ => element.Elements.Aggregate(default(LayerContents), (sum, child) => sum + Inside(child)),
            };
            return definitions[element] = count;
        }
    }
}
