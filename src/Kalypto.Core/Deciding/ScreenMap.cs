using Kalypto.Core.Designs;

namespace Kalypto.Core.Deciding;

/// <summary>Which layer is on which screen, and in which order.</summary>
internal sealed class ScreenMap
{
    // A layer belongs to the screen that holds at least this share of it, or of which it covers at least this share.
    private const double MostOfLayer = 0.5;
    private const double MostOfScreen = 0.8;
    private const int FewLayers = 8;
    private readonly Dictionary<Layer, Screen> screenOf = [];
    private readonly Dictionary<Layer, Layer> around = [];
    private readonly Dictionary<Screen, List<Layer>> layersOf = [];
    private readonly DrawingTree drawing;
    private readonly IReadOnlyList<Box?> shapes;
    private readonly Dictionary<Layer, Screen> byRoot;

    public ScreenMap(DrawingTree drawing, IReadOnlyList<Box?> shapes)
    {
        this.drawing = drawing;
        this.shapes = shapes;
        byRoot = drawing.Screens.ToDictionary(s => s.Root);
        foreach (var screen in drawing.Screens)
        {
            layersOf[screen] = [screen.Root];
            screenOf[screen.Root] = screen;
        }
        Walk(drawing.Layers[0], null);
        NeedlessOuters = drawing.Screens.SelectMany(FindNeedlessOuters).ToHashSet();
    }

    public IReadOnlySet<Layer> NeedlessOuters { get; }

    public Screen? ScreenOf(Layer layer) => screenOf.GetValueOrDefault(layer);

    public IReadOnlyList<Layer> LayersOf(Screen screen) => layersOf.TryGetValue(screen, out var layers) ? layers : [];

    public Layer? AroundOnScreen(Layer layer) => around.GetValueOrDefault(layer);

    // Without recursion: drawings may be deep.
    private void Walk(Layer root, Screen? outer)
    {
        var open = new Stack<(Layer Layer, Screen? Outer)>();
        open.Push((root, outer));
        while (open.TryPop(out var at))
        {
            var screen = Find(at.Layer, at.Outer);
            if (screen is not null && screen.Root != at.Layer)
            {
                screenOf[at.Layer] = screen;
                around[at.Layer] = at.Layer.Ancestors().FirstOrDefault(a => screenOf.GetValueOrDefault(a) == screen) ?? screen.Root;
                layersOf[screen].Add(at.Layer);
            }
            for (var i = at.Layer.ChildList.Count - 1; i >= 0; i--)
            {
                open.Push((at.Layer.ChildList[i], screen));
            }
        }
    }

    private Screen? Find(Layer layer, Screen? outer)
    {
        if (byRoot.TryGetValue(layer, out var own))
        {
            // The whole drawing is no screen of its layers when parts of it are.
            return layer.Ordinal == 0 && drawing.Screens.Length > 1 ? null : own;
        }
        return outer ?? (layer.Ordinal == 0 ? null : ByPlace(layer));
    }

    private Screen? ByPlace(Layer layer)
    {
        if (layer.Ordinal >= shapes.Count || shapes[layer.Ordinal] is not { } shape)
        {
            return null;
        }
        var box = new Box(shape.X, shape.Y, Math.Max(shape.Width, 0.01), Math.Max(shape.Height, 0.01));
        Screen? best = null;
        var most = 0.0;
        var covered = 0;
        foreach (var screen in drawing.Screens)
        {
            var common = screen.Box.Intersect(box);
            var area = common.Width * common.Height;
            covered += area > MostOfLayer * screen.Box.Width * screen.Box.Height ? 1 : 0;
            if (area > most && (area >= MostOfLayer * box.Width * box.Height || area >= MostOfScreen * screen.Box.Width * screen.Box.Height))
            {
                (best, most) = (screen, area);
            }
        }
        return covered > 1 ? null : best;
    }

    private IEnumerable<Layer> FindNeedlessOuters(Screen screen)
    {
        var parent = screen.Root;
        while (true)
        {
            var inside = LayersOf(screen).Where(l => l != screen.Root && around.GetValueOrDefault(l) == parent && !l.Guide).ToList();
            if (inside is not [{ Content: LayerContent.Group, Hidden: false, Combined: false, Children.Count: > 1 } only]
                || shapes[only.Ordinal] is not { } box || box.Intersect(screen.Box) is var common
                && common.Width * common.Height < MostOfScreen * screen.Box.Width * screen.Box.Height
                || only.SelfAndDescendants().Count() <= FewLayers)
            {
                yield break;
            }
            yield return only;
            parent = only;
        }
    }
}
