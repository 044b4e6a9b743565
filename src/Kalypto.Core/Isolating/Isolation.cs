using System.Collections.Immutable;
using Kalypto.Core.Designs;
using Kalypto.Core.Fonts;

namespace Kalypto.Core.Isolating;

/// <summary>
/// A layer with all that belongs to it and nothing else: the elements around it (their transforms, opacity, clips,
/// masks and inherited style, but not their filters), itself, and every definition that any of these refers to.
/// </summary>
public sealed class Isolation
{
    // What an element around a layer does to the whole group, not to the one layer in it.
    private static readonly HashSet<string> NotOfAncestors = ["filter", "mix-blend-mode", "display", "visibility", "enable-background"];
    // What a drawing says of itself on a page: a size, as an attribute or in its style, would move all that is in it.
    private static readonly HashSet<string> PlaceOnAPage = ["x", "y", "width", "height", "min-width", "min-height", "max-width", "max-height", "overflow", "margin", "position", "left", "top", "background", "background-color"];
    private static readonly HashSet<string> NotOfSeenAncestors = [.. NotOfAncestors.Where(p => p != "visibility")];
    private static readonly HashSet<string> NotOfTheLayer = ["display", "visibility"];
    private static readonly HashSet<string> NotOfASeenLayer = ["display"];
    private static readonly HashSet<string> NotOfAShape = [.. NotOfAncestors, "clip-path", "mask"];

    // Pixels of a picture with its margin, where the picture has not more itself.
    private const double MostWithMargin = 16_000_000;

    private ImmutableArray<InsidePicture> pictures;
    private ImmutableArray<string> fontFamilies;
    private ImmutableArray<string> beyond;
    private bool? isWide;
    private double reach = double.NaN;
    private bool fillsRegions;
    private Func<Box?>? whole;
    private readonly DrawingTree drawing;
    private readonly Layer layer;
    private readonly List<Element> around;
    private readonly SortedDictionary<string, Definition> definitions = new(StringComparer.Ordinal);
    private readonly HashSet<Layer> leftOut;
    private readonly bool shapeOnly;

    // Something around it, or it itself, is not to be seen but for what says that it is.
    private readonly bool keepsVisibility;
    private readonly ImmutableArray<Layer> counting;

    private Isolation(DrawingTree drawing, Layer layer, IReadOnlySet<int>? without, bool shapeOnly)
    {
        this.drawing = drawing;
        this.layer = layer;
        this.shapeOnly = shapeOnly;
        keepsVisibility = !layer.HiddenHere && layer.DrawnAncestors().Prepend(layer).Any(l => l.Element.Style("visibility") is "hidden" or "collapse");
        around = [.. layer.DrawnAncestors().Reverse().Skip(1).Select(a => Strip(a.Element, shapeOnly ? NotOfAShape : keepsVisibility ? NotOfSeenAncestors : NotOfAncestors, a.Content == LayerContent.Screen))];
        leftOut = without is null ? [] : [.. (layer.ViewBox is null ? layer.SelfAndDescendants() : drawing.Layers).Where(l => without.Contains(l.Ordinal))];
        counting = shapeOnly ? [] : [.. WithSomethingTakenOut().Where(l => CountedBox.InItsFile(l.Element, drawing))];
        foreach (var element in around)
        {
            Collect(element.References);
        }
        foreach (var element in layer.Element.SelfAndDescendants())
        {
            Collect(element.References);
        }
        Collect(drawing.Root.References);
        Key = MakeKey();
    }

    /// <summary>A fingerprint of all that the picture of the layer depends on, but for its crop and scale.</summary>
    public Fingerprint Key { get; }

    /// <summary>The pictures embedded in it, each once.</summary>
    public ImmutableArray<InsidePicture> Pictures
    {
        get
        {
            if (pictures.IsDefault)
            {
                var (inDefinitions, root) = ToElements();
                pictures = [.. inDefinitions.Append(root).SelectMany(e => e.SelfAndDescendants()).Select(InsidePicture.Of).OfType<InsidePicture>().DistinctBy(p => p.Href)];
            }
            return pictures;
        }
    }

    /// <summary>The lists of font families that its texts ask for, as they are written, in order; one that is empty for the default. None without text.</summary>
    public ImmutableArray<string> FontFamilies
    {
        get
        {
            if (fontFamilies.IsDefault)
            {
                var elements = Itself.SelfAndDescendants().Concat(definitions.Values.SelectMany(d => d.Element.SelfAndDescendants().Concat(d.Around))).ToList();
                fontFamilies = !elements.Exists(e => e.Name == "text") ? []
                    : [.. elements.Concat(around).Append(drawing.Root).Select(e => e.Style("font-family")).OfType<string>().Append("").Distinct().Order(StringComparer.Ordinal)];
            }
            return fontFamilies;
        }
    }

    /// <summary>The fonts of the project that its texts ask for.</summary>
    public FontBook Fonts => drawing.Fonts.Fonts.IsEmpty ? drawing.Fonts : drawing.Fonts.For(FontFamilies);

    /// <summary>The ordinals of layers in it that stay out of the picture.</summary>
    public IReadOnlyList<int> Without => [.. leftOut.Select(l => l.Ordinal).Order()];

    /// <summary>What of it only the exact engine draws right, each once, in order; none for what the quick engine draws as well.</summary>
    public ImmutableArray<string> Beyond
    {
        get
        {
            if (beyond.IsDefault)
            {
                beyond = shapeOnly ? [] : [.. Elements.Select(e => e.Beyond).Append(counting.Any(l => CountedBox.Of(l.Element, drawing)) ? CountedBox.Reason : null).OfType<string>().Distinct().Order(StringComparer.Ordinal)];
            }
            return beyond;
        }
    }

    /// <summary>True when something in it or around it needs the exact engine, not only that it is a part of a group.</summary>
    public bool IsBeyondByItself => Beyond.Any(b => b != CountedBox.Reason);

    /// <summary>True for one that holds colours beyond sRGB.</summary>
    public bool IsWide => isWide ??= Elements.Any(e => e.Wide is not null);

    /// <summary>False for what cannot be cut out of the file that the drawing came in by.</summary>
    public bool CanBeCut => !shapeOnly && drawing.Source is not null && InFile.At.IsKnown && Members.All(m => m.Element.At.IsKnown);

    /// <summary>Every element that has a part in the picture.</summary>
    internal IEnumerable<Element> Elements => Itself.SelfAndDescendants().Concat(around).Append(drawing.Root)
        .Concat(definitions.Values.SelectMany(d => d.Element.SelfAndDescendants().Concat(d.Around)));

    /// <summary>The SHA-256 of the file that the drawing came in by; null where it is not known.</summary>
    internal string? Source => drawing.Source;

    /// <summary>True when something in the layer is drawn by a filter, so that ink may lie outside its shape.</summary>
    public bool HasFilter { get; private set; }

    /// <summary>Cuts a layer out of its drawing.</summary>
    /// <param name="drawing">The drawing.</param>
    /// <param name="layer">A layer of it.</param>
    /// <param name="without">Ordinals of layers inside it that are to stay out of the picture.</param>
    /// <param name="whole">The box around all the shapes that are drawn, in drawing units; null where it is not known.</param>
    public static Isolation Of(DrawingTree drawing, Layer layer, IReadOnlySet<int>? without = null, Func<Box?>? whole = null)
    {
        var isolation = new Isolation(drawing, layer, without, shapeOnly: false) { whole = whole };
        isolation.HasFilter = layer.Element.SelfAndDescendants()
            .Concat(isolation.definitions.Values.SelectMany(d => d.Element.SelfAndDescendants()))
            .Any(e => e.Style("filter") is { } filter && filter != "none");
        return isolation;
    }

    /// <summary>Only the outline and strokes of a layer: without effects, clips and masks on it and around it.</summary>
    public static Isolation ShapeOf(DrawingTree drawing, Layer layer) => new(drawing, layer, null, shapeOnly: true);

    /// <summary>The layer as a drawing of its own.</summary>
    /// <param name="crop">The rectangle to show, in drawing units.</param>
    /// <param name="width">The width of the picture, in px.</param>
    /// <param name="height">The height of the picture, in px.</param>
    /// <param name="ground">A colour under it, <c>#rrggbb</c>; null for none.</param>
    public string Document(Box crop, double width, double height, string? ground = null)
    {
        var text = new SvgWriter();
        text.OpenRoot(crop, width, height);
        if (ground is not null)
        {
            text.Raw($"<rect x=\"{Numbers.Text(crop.X)}\" y=\"{Numbers.Text(crop.Y)}\" width=\"{Numbers.Text(crop.Width)}\" height=\"{Numbers.Text(crop.Height)}\" fill=\"{ground}\"/>");
        }
        text.Open(AsNested(drawing.Root, drawing.Box));
        if (definitions.Count > 0)
        {
            text.Raw("<defs>");
            foreach (var definition in definitions.Values)
            {
                foreach (var element in definition.Around)
                {
                    text.OpenStyled(element);
                }
                text.Whole(definition.Element);
                foreach (var _ in definition.Around)
                {
                    text.Raw("</g>");
                }
            }
            text.Raw("</defs>");
        }
        foreach (var element in around)
        {
            text.Open(element);
        }
        if (layer.Element == drawing.Root)
        {
            foreach (var child in drawing.Root.Elements.Where(e => e.Name != "defs"))
            {
                text.Whole(child, LeftOutElements());
            }
        }
        else
        {
            text.Whole(Itself, LeftOutElements());
        }
        foreach (var element in around.AsEnumerable().Reverse())
        {
            text.Close(element);
        }
        return text.Raw("</svg></svg>").ToString();
    }

    /// <summary>The layer as something to be drawn by one of the engines.</summary>
    /// <param name="crop">The rectangle to show, in drawing units.</param>
    /// <param name="width">The width of the picture, in px.</param>
    /// <param name="height">The height of the picture, in px.</param>
    /// <param name="ground">A colour under it, <c>#rrggbb</c>; null for none.</param>
    /// <param name="isExact">True for the exact engine also where the quick one was not known to draw it otherwise.</param>
    /// <param name="step">What a margin is a whole number of, in px: more than 1 for a picture that is drawn smaller too.</param>
    public Scene Scene(Box crop, double width, double height, string? ground = null, bool isExact = false, int step = 1) =>
        isExact || !Beyond.IsEmpty ? Scene(WindowLayout.Of(crop, width, height), crop, width, height, ground, step) : QuickScene(crop, width, height, ground, step);

    /// <summary>The layer as something to be drawn by the quick engine, whatever that is known to draw otherwise.</summary>
    /// <param name="crop">The rectangle to show, in drawing units.</param>
    /// <param name="width">The width of the picture, in px.</param>
    /// <param name="height">The height of the picture, in px.</param>
    /// <param name="ground">A colour under it, <c>#rrggbb</c>; null for none.</param>
    /// <param name="step">What a margin is a whole number of, in px.</param>
    public Scene QuickScene(Box crop, double width, double height, string? ground = null, int step = 1)
    {
        var (margin, wider) = WithMargin(crop, width, height, ground, step);
        return new(() => Document(crop, width, height, ground)) { Fonts = Fonts, Margin = margin, WithMargin = wider };
    }

    private (double Margin, Func<string>? Wider) WithMargin(Box crop, double width, double height, string? ground, int step)
    {
        if (!HasFilter)
        {
            return (0, null);
        }
        if (double.IsNaN(reach))
        {
            reach = FilterReach.Of(around, Itself, definitions, Math.Max(drawing.Box.Width, drawing.Box.Height));
            fillsRegions = definitions.Values.Any(d => FilterReach.FillsItsRegion(d.Element));
        }
        // Steps on the way to what is seen may lie further out than it: an inner shadow is a shape that is moved out, blurred and comes back.
        if (!fillsRegions && whole?.Invoke() is { } box && crop.Union(box.Inflate(reach)) == crop)
        {
            return (0, null);
        }
        var (across, down) = (crop.Width / width, crop.Height / height);
        var (most, sides) = (Math.Max(MostWithMargin, 1.25 * width * height), width + height);
        // What is too large as a whole has the margin that still fits.
        var fits = Math.Floor((Math.Sqrt(sides * sides + 4 * (most - width * height)) - sides) / 4 / step) * step;
        var margin = Math.Min(fits, Math.Ceiling(reach / Math.Min(across, down) / step) * step);
        return margin <= 0 ? (0, null)
            : (margin, () => Document(Box.FromEdges(crop.X - margin * across, crop.Y - margin * down, crop.Right + margin * across, crop.Bottom + margin * down), width + 2 * margin, height + 2 * margin, ground));
    }

    // Where there is no exact engine, the quick one draws the document as it is for all others.
    private Scene Scene(WindowLayout layout, Box crop, double width, double height, string? ground, int step)
    {
        var quick = QuickScene(crop, width, height, ground, step);
        return new(() => quick.Document, isExact: true, !CanBeCut ? null
            : new(drawing.Source!, InFile.At, [.. leftOut.Select(l => l.Element.At).Where(a => a.IsKnown)],
                [.. counting.Select(l => l.Element.At).Where(a => a.IsKnown)], drawing.Box, layout.Whole, layout.Wide, layout.Tall, ground, keepsVisibility)
            { Members = [.. Members.Select(m => m.Element.At)] }, CanBeCut ? layout : null)
        { Fonts = Fonts, Margin = quick.Margin, WithMargin = quick.WithMargin };
    }

    /// <summary>The layer as elements: definitions, and the layer inside what is around it.</summary>
    internal (IReadOnlyList<Element> Definitions, Element Root) ToElements()
    {
        var without = LeftOutElements();
        ImmutableArray<Node> content = layer.Element == drawing.Root
            ? [.. drawing.Root.Elements.Where(e => e.Name != "defs" && !without.Contains(e)).Select(e => Pruned(e, without))]
            : [Pruned(Itself, without)];
        foreach (var element in around.AsEnumerable().Reverse())
        {
            content = [element.With(element.Attributes, content)];
        }
        var nested = AsNested(drawing.Root, drawing.Box);
        return ([.. definitions.Values.Select(d => d.Around.Reverse().Aggregate(d.Element, (inner, outer) => new("g", SvgWriter.HandedDown(outer), [inner])))],
            new("svg", nested.Attributes, content));
    }

    private static Element Pruned(Element element, HashSet<Element> without) => without.Count == 0 ? element
        : element.With(element.Attributes, [.. element.Children.Where(c => c is not Element e || !without.Contains(e)).Select(c => c is Element e ? Pruned(e, without) : c)]);

    /// <summary>A hidden layer that ships is drawn all the same: the decision says more than the drawing.</summary>
    private Element Itself => Strip(layer.Element, shapeOnly ? NotOfAShape : keepsVisibility ? NotOfASeenLayer : NotOfTheLayer, layer.Content == LayerContent.Screen);

    // A group that was made of layers here is in no file; what is around them is.
    private Element InFile => layer.Combined ? layer.Parent!.Element : layer.Element;

    private IReadOnlyList<Layer> Members => layer.Combined ? layer.Children : [];

    // Those layers of which something is in the drawing and not in this picture, and which are in it themselves.
    private IEnumerable<Layer> WithSomethingTakenOut()
    {
        var taken = leftOut.SelectMany(l => l.DrawnAncestors()).ToHashSet();
        for (var (at, outer) = (layer, layer.DrawnParent); outer is not null; (at, outer) = (outer, outer.DrawnParent))
        {
            if (taken.Contains(at) || outer.Children.Any(c => c != at && !c.Hidden))
            {
                taken.Add(outer);
            }
        }
        // The drawing itself is as large as it is.
        return taken.Where(l => l.DrawnParent is not null && (l == layer || layer.DrawnAncestors().Contains(l) || l.DrawnAncestors().Contains(layer))).Concat(BetweenMembers()).OrderBy(l => l.Ordinal);
    }

    // Groups of the file that hold a part of what was put together here, and something else.
    private IEnumerable<Layer> BetweenMembers()
    {
        var ways = Members.SelectMany(m => m.DrawnAncestors().TakeWhile(a => a != layer.Parent).Prepend(m)).ToHashSet();
        return ways.Where(w => !Members.Contains(w) && drawing.Layers.Any(l => l.DrawnParent == w && !l.Hidden && !ways.Contains(l)));
    }

    private HashSet<Element> LeftOutElements() => [.. leftOut.Select(l => l.Element)];

    private void Collect(IEnumerable<string> ids)
    {
        var open = new Stack<string>(ids);
        while (open.TryPop(out var id))
        {
            if (definitions.ContainsKey(id) || !drawing.Definitions.TryGetValue(id, out var definition))
            {
                continue;
            }
            definitions.Add(id, definition);
            foreach (var reference in definition.Element.SelfAndDescendants().Concat(definition.Around).SelectMany(e => e.References))
            {
                open.Push(reference);
            }
        }
    }

    private Fingerprint MakeKey()
    {
        var key = new IdFreeKey();
        List<string> parts = [key.Shallow(drawing.Root), .. around.Select(key.Shallow), key.Of(Itself)];
        parts.AddRange(counting.Where(l => l != layer && CountedBox.Of(l.Element, drawing)).Select(l => key.Of(l.Element)));
        parts.AddRange(leftOut.Select(l => $"without {l.Ordinal - layer.Ordinal}"));
        // What a definition refers to is met while it is hashed.
        for (var i = 0; i < key.Met.Count; i++)
        {
            if (definitions.TryGetValue(key.Met[i], out var definition))
            {
                parts.AddRange([$"definition {i}", .. definition.Around.Select(key.Shallow), key.Of(definition.Element)]);
            }
        }
        return Fingerprint.Of([.. parts]);
    }

    /// <summary>The root of the drawing as an element inside another, so that percentages and inherited styles stay as they were.</summary>
    internal static Element AsNested(Element root, Box box) => new("svg",
        [.. Strip(root, PlaceOnAPage, isScreen: false).Attributes.Where(a => a.Name is not ("viewBox" or "preserveAspectRatio" or "version" or "id")),
            new("x", Numbers.Text(box.X)), new("y", Numbers.Text(box.Y)), new("width", Numbers.Text(box.Width)), new("height", Numbers.Text(box.Height)),
            new("viewBox", $"{Numbers.Text(box.X)} {Numbers.Text(box.Y)} {Numbers.Text(box.Width)} {Numbers.Text(box.Height)}"),
            new("overflow", "visible")],
        []);

    /// <summary>The element without some properties; a screen lets what sticks out of it be seen, as the drawing itself does.</summary>
    private static Element Strip(Element element, HashSet<string> properties, bool isScreen)
    {
        var attributes = element.Attributes.Where(a => !properties.Contains(a.Name) && !(isScreen && a.Name == "overflow"))
            .Select(a => a.Name != "style" ? a
                : new("style", StyleText.Write(StyleText.Parse(a.Value).Where(d => !properties.Contains(d.Name)).Select(d => KeyValuePair.Create(d.Name, d.Value)))));
        var kept = attributes.Where(a => a.Name != "style" || a.Value.Length > 0).ToList();
        if (isScreen && element.Name == "svg")
        {
            kept.Add(new("overflow", "visible"));
        }
        return kept.SequenceEqual(element.Attributes) ? element : element.With([.. kept], element.Children);
    }
}
