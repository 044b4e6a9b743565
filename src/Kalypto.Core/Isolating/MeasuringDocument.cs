using System.Collections.Immutable;
using Kalypto.Core.Designs;

namespace Kalypto.Core.Isolating;

/// <summary>
/// The drawing with an id on some of its layers, to ask the renderer for the shape box of each. The renderer walks the whole
/// document for every layer that it is asked for, so that of the others nothing is left in but what may be referred to.
/// </summary>
public sealed class MeasuringDocument
{
    private static readonly HashSet<string> Effects = ["filter", "clip-path", "mask", "mix-blend-mode"];
    private static readonly HashSet<string> EffectsAndHiding = [.. Effects, "display", "visibility"];

    // Changes no shape either. What is painted with it counts as painted.
    private static readonly HashSet<string> Paints = ["linearGradient", "radialGradient", "pattern", "filter", "clipPath", "mask"];
    private const string AnyPaint = "#000";
    private readonly DrawingTree drawing;
    private readonly HashSet<string> hides;
    private readonly Dictionary<Element, Layer> layers = [];
    private readonly HashSet<Element> referred = [];

    /// <summary>Documents of a drawing.</summary>
    /// <param name="drawing">The drawing.</param>
    /// <param name="hiddenToo">Shows what the drawing hides.</param>
    public MeasuringDocument(DrawingTree drawing, bool hiddenToo)
    {
        this.drawing = drawing;
        hides = hiddenToo ? EffectsAndHiding : Effects;
        foreach (var layer in drawing.Layers.Where(l => l.ViewBox is null && l.Element != drawing.Root))
        {
            layers[layer.Element] = layer;
        }
        FindReferred(drawing.Root, [.. drawing.Root.SelfAndDescendants().Where(e => !Paints.Contains(e.Name)).SelectMany(e => Shown(e.Attributes)).SelectMany(a => References.Of(a.Name, a.Value))], within: false);
    }

    /// <summary>The id of a layer in a measuring document.</summary>
    public static string IdOf(Layer layer) => $"kalypto-layer-{layer.Ordinal}";

    /// <summary>True when the renderer may have dragged the origin into the box of a layer.</summary>
    public static bool MayBeDragged(Layer layer) => AnchoredShape.Of(layer.Element) is null;

    /// <summary>The drawing, one drawing unit a px, with these layers and what they may refer to.</summary>
    public string Of(IEnumerable<Layer> asked)
    {
        var wanted = asked.Where(l => l.ViewBox is null).ToHashSet();
        var around = wanted.SelectMany(l => l.DrawnAncestors()).ToHashSet();
        var text = new SvgWriter();
        text.OpenRoot(drawing.Box, drawing.Box.Width, drawing.Box.Height);
        text.Open(Isolation.AsNested(drawing.Root, drawing.Box));
        foreach (var child in Inside(drawing.Root))
        {
            if (child is Element element)
            {
                text.Whole(element);
            }
        }
        return text.Raw("</svg></svg>").ToString();

        IEnumerable<Node> Inside(Element element) => element.Children
            .Where(c => c is not Element e || referred.Contains(e) || (layers.TryGetValue(e, out var l) ? wanted.Contains(l) || around.Contains(l) : !Paints.Contains(e.Name)))
            .Select(c => c is Element e ? Wrap(e) : c);

        // The references of the drawing go by its own ids, so each layer is wrapped rather than renamed.
        Element Wrap(Element element)
        {
            var layer = layers.GetValueOrDefault(element);
            ImmutableArray<ElementAttribute> attributes = [.. Shown(element.Attributes)];
            ImmutableArray<Node> children = [.. Inside(element)];
            var copy = attributes.SequenceEqual(element.Attributes) && children.SequenceEqual(element.Children) ? element : new Element(element.Name, attributes, children);
            // The renderer forgets the transform of a picture when it says where the picture lies.
            if (copy.Name == "image" && copy["transform"] is { } transform)
            {
                copy = new("g", [new("transform", transform)], [new Element(copy.Name, [.. copy.Attributes.Where(a => a.Name != "transform")], copy.Children)]);
            }
            return layer is not null && wanted.Contains(layer) ? new Element("g", [new("id", IdOf(layer))], [AnchoredShape.Of(copy) ?? copy]) : copy;
        }
    }

    /// <summary>Keeps what something refers to, with all that is in it and around it.</summary>
    private bool FindReferred(Element element, HashSet<string> ids, bool within)
    {
        within |= element["id"] is { } id && ids.Contains(id);
        var found = within;
        foreach (var child in element.Elements)
        {
            found |= FindReferred(child, ids, within);
        }
        if (found)
        {
            referred.Add(element);
        }
        return found;
    }

    /// <summary>Effects, clips and masks do not change a shape, but cost the renderer time, and hostile ones without end.</summary>
    private IEnumerable<ElementAttribute> Shown(IEnumerable<ElementAttribute> attributes) => attributes
        .Where(a => !hides.Contains(a.Name))
        .Select(a => new ElementAttribute(a.Name, a.Name != "style" ? Painted(a.Name, a.Value) : StyleText.Write(
            StyleText.Parse(a.Value).Where(d => !hides.Contains(d.Name)).Select(d => KeyValuePair.Create(d.Name, Painted(d.Name, d.Value))))));

    private string Painted(string property, string value) =>
        IsPaint(property) && References.Of(property, value).FirstOrDefault() is { } id && drawing.Definitions.ContainsKey(id) ? AnyPaint : value;

    private static bool IsPaint(string property) => property is "fill" or "stroke";
}
