using System.Collections.Concurrent;
using System.Collections.Immutable;
using Kalypto.Core.Arranging;
using Kalypto.Core.Designs;
using Kalypto.Core.Isolating;
using Kalypto.Core.Naming;

namespace Kalypto.Core.Deciding;

/// <summary>A drawing with what is known of its layers whatever anybody decides: the same for every edit.</summary>
public sealed class MeasuredDrawing
{
    private readonly ConcurrentDictionary<(int Ordinal, bool IsScreen, string Without), Isolation> isolations;
    private readonly ConcurrentDictionary<(int Ordinal, bool IsScreen, string Without), Isolation> isolationsOfMade = new();
    private readonly ConcurrentDictionary<int, Isolation> onScreen = new();
    private readonly ScreenMap map;
    private readonly int drawnCount;
    private readonly Lazy<ImmutableArray<LayerContents>> contents;
    private readonly Lazy<ImmutableArray<Fingerprint?>> repeatKeys;
    private readonly Lazy<ImmutableArray<ScreenProposal>> proposals;
    private readonly Lazy<ImmutableArray<bool>> notNamed;

    /// <summary>Puts a drawing and the shape boxes of its layers together.</summary>
    /// <param name="drawing">The drawing as it was read.</param>
    /// <param name="shapes">The shape box of each layer by ordinal, in drawing units; null for a layer without one.</param>
    public MeasuredDrawing(DrawingTree drawing, IReadOnlyList<Box?> shapes)
        : this(drawing, drawing, shapes, new())
    {
    }

    private MeasuredDrawing(
        DrawingTree drawn, DrawingTree drawing, IReadOnlyList<Box?> shapes, ConcurrentDictionary<(int Ordinal, bool IsScreen, string Without), Isolation> isolations)
    {
        Drawn = drawn;
        Drawing = drawing;
        Shapes = shapes;
        this.isolations = isolations;
        drawnCount = drawn.Layers.Length;
        map = new(drawing, shapes);
        contents = new(() => LayerContents.OfAll(drawing));
        notNamed = new(() => [.. drawing.Layers.Select(DefaultNames.IsNotNamed)]);
        proposals = new(() => ScreenProposals.Of(this));
        repeatKeys = new(() => [.. drawing.Layers.Select(l => RepeatKey.Of(drawing, l))]);
    }

    /// <summary>The drawing as it was read.</summary>
    public DrawingTree Drawn { get; }

    /// <summary>The drawing as it is arranged.</summary>
    public DrawingTree Drawing { get; }

    /// <summary>The share of pixels, from 0 to 1, that the merged picture which came with the drawing shows otherwise than its layers do; null where none came.</summary>
    public double? Merged { get; init; }

    /// <summary>Shape boxes by ordinal, in drawing units.</summary>
    public IReadOnlyList<Box?> Shapes { get; }

    /// <summary>What each layer is made of, by ordinal.</summary>
    public ImmutableArray<LayerContents> Contents => contents.Value;

    /// <summary>What tells a layer's drawing apart from others wherever it lies, by ordinal; null for layers that are never shared.</summary>
    public ImmutableArray<Fingerprint?> RepeatKeys => repeatKeys.Value;

    /// <summary>True for layers that nobody gave a name of their own in the drawing, by ordinal.</summary>
    public ImmutableArray<bool> NotNamed => notNamed.Value;

    /// <summary>True for a layer that nobody gave a name of its own in the drawing.</summary>
    public bool IsNotNamed(Layer layer) => layer.Ordinal < NotNamed.Length ? NotNamed[layer.Ordinal] : DefaultNames.IsNotNamed(layer);

    /// <summary>The ways to split the drawing into screens, best first.</summary>
    public ImmutableArray<ScreenProposal> Proposals => proposals.Value;

    /// <summary>The same drawing with other screens and combinations.</summary>
    public MeasuredDrawing Arrange(Arrangement arrangement)
    {
        if (arrangement.IsNone)
        {
            return this;
        }
        var arranged = Arranger.Apply(Drawn, arrangement);
        var shapes = Shapes.Take(drawnCount).ToList();
        foreach (var layer in arranged.Layers.Skip(shapes.Count))
        {
            shapes.Add(layer.ViewBox ?? layer.Children.Select(c => shapes[c.Ordinal])
                .Aggregate((Box?)null, (all, box) => all is { } a && box is { } b ? a.Union(b) : all ?? box));
        }
        foreach (var screen in arranged.Screens.Where(s => s.Root.Content == LayerContent.Screen && s.Root.Ordinal > 0))
        {
            shapes[screen.Root.Ordinal] = screen.Box;
        }
        return new(Drawn, arranged, shapes, isolations) { Merged = Merged };
    }

    /// <summary>The shape box of a layer in drawing units; null when it has none.</summary>
    public Box? ShapeOf(Layer layer) => layer.ViewBox ?? (layer.Ordinal < Shapes.Count ? Shapes[layer.Ordinal] : null);

    /// <summary>The box around the shapes of all that is drawn of a layer, in drawing units: what lies on a screen may stick out of it. Null when there are none.</summary>
    public Box? WholeOf(Layer layer) => layer.Content != LayerContent.Screen && layer.ViewBox is null ? ShapeOf(layer)
        : (layer.ViewBox is null ? layer.SelfAndDescendants() : Drawing.Layers).Where(l => l.Content != LayerContent.Screen && l.ViewBox is null).Select(ShapeOf).OfType<Box>()
            .Aggregate((Box?)null, (all, box) => all is { } a ? a.Union(box) : box);

    /// <summary>The screen that a layer is on; null for what lies on none.</summary>
    public Screen? ScreenOf(Layer layer) => map.ScreenOf(layer);

    /// <summary>The layers of a screen in the order of the tree, the one that stands for the screen first.</summary>
    public IReadOnlyList<Layer> LayersOf(Screen screen) => map.LayersOf(screen);

    /// <summary>The nearest layer around this one on its screen; null for the one that stands for the screen.</summary>
    public Layer? AroundOnScreen(Layer layer) => map.AroundOnScreen(layer);

    /// <summary>True for a group around everything else on its screen: it says nothing and is stepped over.</summary>
    public bool IsNeedlessOuter(Layer layer) => map.NeedlessOuters.Contains(layer);

    /// <summary>The screen of the drawing as it was read on which most of a screen lies; the team may have split it into others.</summary>
    public Screen DrawnScreenOf(Screen screen) => Drawn.Screens.MaxBy(s => s.Box.Intersect(screen.Box) is var common ? Math.Max(0, common.Width) * Math.Max(0, common.Height) : 0)!;

    /// <summary>A layer with all that lies beneath it on its screen.</summary>
    /// <exception cref="InvalidOperationException">The layer is on no screen.</exception>
    public Isolation IsolateOnScreen(Layer layer) => onScreen.GetOrAdd(layer.Ordinal, _ => ScreenOf(layer) is { } screen
        ? Isolation.Of(Drawing, screen.Root, Beneath.NotOf(Drawing, layer), () => WholeOf(screen.Root)) : throw new InvalidOperationException("The layer is on no screen."));

    /// <summary>A layer cut out of the drawing, without those layers in it that are left.</summary>
    public Isolation Isolate(Layer layer, Func<Layer, Mark> mark)
    {
        HashSet<int> without = [];
        foreach (var inside in layer.ViewBox is null ? layer.SelfAndDescendants() : Drawing.Layers)
        {
            if (inside != layer && (mark(inside).Decision == Decision.Leave || (inside.Guide && (layer.ViewBox is not null || mark(inside).Decision == Decision.Open))))
            {
                without.Add(inside.Ordinal);
            }
        }
        return Isolate(layer, without);
    }

    /// <summary>A layer cut out of the drawing.</summary>
    /// <param name="layer">The layer.</param>
    /// <param name="without">Ordinals of the layers in it that stay out.</param>
    public Isolation Isolate(Layer layer, IReadOnlySet<int> without)
    {
        var known = layer.Ordinal < drawnCount ? isolations : isolationsOfMade;
        return known.GetOrAdd((layer.Ordinal, layer.Content == LayerContent.Screen, without.Count == 0 ? "" : string.Join(',', without.Order())),
            _ => Isolation.Of(Drawing, layer, without, () => WholeOf(layer)));
    }
}
