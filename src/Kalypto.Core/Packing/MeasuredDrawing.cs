using System.Collections.Concurrent;
using Kalypto.Core.Deciding;
using Kalypto.Core.Designs;
using Kalypto.Core.Isolating;

namespace Kalypto.Core.Packing;

/// <summary>A drawing with what is known of its layers whatever anybody decides: the same for every edit.</summary>
public sealed class MeasuredDrawing
{
    private readonly ConcurrentDictionary<(int Ordinal, string Without), Isolation> isolations = new();
    private readonly Dictionary<int, Screen> screenOf = [];

    /// <summary>Puts a drawing and the shape boxes of its layers together.</summary>
    /// <param name="drawing">The drawing.</param>
    /// <param name="shapes">The shape box of each layer by ordinal, in drawing units; null for a layer without one.</param>
    public MeasuredDrawing(DrawingTree drawing, IReadOnlyList<Box?> shapes)
    {
        Drawing = drawing;
        Shapes = shapes;
        foreach (var layer in drawing.Layers)
        {
            if (FindScreen(layer) is { } screen)
            {
                screenOf[layer.Ordinal] = screen;
            }
        }
    }

    /// <summary>The drawing.</summary>
    public DrawingTree Drawing { get; }

    /// <summary>Shape boxes by ordinal, in drawing units.</summary>
    public IReadOnlyList<Box?> Shapes { get; }

    /// <summary>The screen that a layer is on; null for what lies on none.</summary>
    public Screen? ScreenOf(Layer layer) => screenOf.GetValueOrDefault(layer.Ordinal);

    /// <summary>The layers of a screen in document order, the one that stands for the screen first.</summary>
    public IEnumerable<Layer> LayersOf(Screen screen) =>
        Drawing.Layers.Where(l => ScreenOf(l) == screen && l != screen.Root).Prepend(screen.Root);

    /// <summary>A layer cut out of the drawing, without those layers in it that are left.</summary>
    public Isolation Isolate(Layer layer, Func<Layer, Mark> mark)
    {
        var without = layer.SelfAndDescendants()
            .Where(l => l != layer && (mark(l).Decision == Decision.Leave || (l.Guide && mark(l).Decision == Decision.Open)))
            .Select(l => l.Ordinal).ToHashSet();
        if (layer.ViewBox is not null)
        {
            without = [.. Drawing.Layers.Where(l => mark(l).Decision == Decision.Leave || l.Guide).Select(l => l.Ordinal)];
        }
        return isolations.GetOrAdd((layer.Ordinal, string.Join(',', without.Order())), _ => Isolation.Of(Drawing, layer, without));
    }

    private Screen? FindScreen(Layer layer)
    {
        var around = layer.Ancestors().Prepend(layer).Select(a => Drawing.Screens.FirstOrDefault(s => s.Root == a)).FirstOrDefault(s => s is not null);
        if (around is not null || layer.Parent is null || layer.Ordinal >= Shapes.Count || Shapes[layer.Ordinal] is not { } box)
        {
            return around;
        }
        // Views and loose layers: the screen that most of the layer lies on.
        var best = Drawing.Screens
            .Select(s => (Screen: s, Common: s.Box.Intersect(box))).MaxBy(s => s.Common.Width * s.Common.Height);
        return best.Common.IsEmpty ? null : best.Screen;
    }
}
