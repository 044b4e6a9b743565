using System.Collections.Immutable;
using Kalypto.Core.Designs;

namespace Kalypto.Core.Isolating;

/// <summary>The whole drawing with an id on every layer, to ask the renderer for the shape box of each.</summary>
public static class MeasuringDocument
{
    private static readonly HashSet<string> Effects = ["filter", "clip-path", "mask", "mix-blend-mode"];
    private static readonly HashSet<string> EffectsAndHiding = [.. Effects, "display", "visibility"];

    /// <summary>The id of a layer in a measuring document.</summary>
    public static string IdOf(Layer layer) => $"kalypto-layer-{layer.Ordinal}";

    /// <summary>The drawing, one drawing unit a px.</summary>
    /// <param name="drawing">The drawing.</param>
    /// <param name="hiddenToo">Shows what the drawing hides.</param>
    public static string Of(DrawingTree drawing, bool hiddenToo)
    {
        var ids = new Dictionary<Element, string>();
        foreach (var layer in drawing.Layers.Where(l => l.ViewBox is null))
        {
            ids[layer.Element] = IdOf(layer);
        }
        var text = new SvgWriter();
        // The references of the drawing go by its own ids, so each layer is wrapped rather than renamed.
        var whole = Wrap(drawing.Root);
        text.OpenRoot(drawing.Box, drawing.Box.Width, drawing.Box.Height);
        text.Open(Isolation.AsNested(drawing.Root, drawing.Box));
        foreach (var child in whole.Elements)
        {
            text.Whole(child);
        }
        return text.Raw("</svg></svg>").ToString();

        Element Wrap(Element element)
        {
            var children = element.Children.Select(child => child is Element e ? Wrap(e) : child).ToImmutableArray();
            var copy = new Element(element.Name, [.. Without(hiddenToo ? EffectsAndHiding : Effects, element.Attributes)], children);
            // The renderer forgets the transform of a picture when it says where the picture lies.
            if (copy.Name == "image" && copy["transform"] is { } transform)
            {
                copy = new("g", [new("transform", transform)], [new Element(copy.Name, [.. copy.Attributes.Where(a => a.Name != "transform")], copy.Children)]);
            }
            return element != drawing.Root && ids.TryGetValue(element, out var id)
                ? new Element("g", [new("id", id)], [copy])
                : copy;
        }
    }

    /// <summary>Effects, clips and masks do not change a shape, but cost the renderer time, and hostile ones without end.</summary>
    private static IEnumerable<ElementAttribute> Without(HashSet<string> properties, IEnumerable<ElementAttribute> attributes) => attributes
        .Where(a => !properties.Contains(a.Name))
        .Select(a => a.Name != "style" ? a : new(a.Name, StyleText.Write(
            StyleText.Parse(a.Value).Where(d => !properties.Contains(d.Name)).Select(d => KeyValuePair.Create(d.Name, d.Value)))));
}
