using Kalypto.Core.Designs;

namespace Kalypto.Core.Deciding;

/// <summary>Which layer is on which screen, and in which order.</summary>
internal sealed class ScreenMap
{
    // A layer belongs to the screen that holds at least this share of it, or of which it covers at least this share.
    private const double MostOfLayer = 0.5;
    private const double MostOfScreen = 0.8;
    // What is no group and runs out of its screen belongs to the one on which most of it shows; with less than this share it only touches one.
    private const double LeastOfLayer = 0.1;
    private const int FewLayers = 8;
    private readonly Dictionary<Layer, Screen> screenOf = [];
    private readonly Dictionary<Layer, Layer> around = [];
    private readonly Dictionary<Screen, List<Layer>> layersOf = [];
    private readonly DrawingTree drawing;
    private readonly IReadOnlyList<Box?> shapes;
    private readonly Dictionary<Layer, Screen> byRoot;
    private readonly Lazy<Dictionary<Layer, Screen>> byContents;

    public ScreenMap(DrawingTree drawing, IReadOnlyList<Box?> shapes)
    {
        this.drawing = drawing;
        this.shapes = shapes;
        byRoot = drawing.Screens.ToDictionary(s => s.Root);
        byContents = new(FindByContents);
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
        return outer ?? (layer.Ordinal == 0 ? null : ByPlace(layer) ?? byContents.Value.GetValueOrDefault(layer));
    }

    // A drawn point has no area, and lies somewhere all the same.
    private Box? BoxOf(Layer layer) => layer.Ordinal < shapes.Count && shapes[layer.Ordinal] is { } shape ? shape with { Width = Math.Max(shape.Width, 0.01), Height = Math.Max(shape.Height, 0.01) } : null;

    private static double Area(Box box) => box.Width * box.Height;

    private Screen? ByPlace(Layer layer)
    {
        if (BoxOf(layer) is not { } box)
        {
            return null;
        }
        Screen? best = null;
        var most = 0.0;
        var covered = 0;
        foreach (var screen in drawing.Screens)
        {
            var area = Area(screen.Box.Intersect(box));
            covered += area > MostOfLayer * Area(screen.Box) ? 1 : 0;
            if (area > most && (area >= MostOfLayer * Area(box) || area >= MostOfScreen * Area(screen.Box)))
            {
                (best, most) = (screen, area);
            }
        }
        return covered > 1 ? null : best;
    }

    // Where a line runs out of its screen, the line begins there, and the group around it is as wide as the line: such groups
    // belong to the one screen whose ground they hold, or on which all lies that they hold.
    private Dictionary<Layer, Screen> FindByContents()
    {
        var grounds = new Dictionary<Layer, Screen?>();
        var contents = new Dictionary<Layer, Screen?>();
        var found = new Dictionary<Layer, Screen>();
        foreach (var layer in drawing.Layers[0].SelfAndDescendants().Reverse())
        {
            if (byRoot.TryGetValue(layer, out var own) && layer.Ordinal > 0)
            {
                contents[layer] = grounds[layer] = own;
            }
            else if (layer.Children.Count == 0)
            {
                if (BoxOf(layer) is { } box && (ByPlace(layer) ?? WhereItShows(layer, box)) is { } screen)
                {
                    contents[layer] = found[layer] = screen;
                    if (Area(screen.Box.Intersect(box)) >= MostOfScreen * Area(screen.Box))
                    {
                        grounds[layer] = screen;
                    }
                }
                else if (BoxOf(layer) is not null)
                {
                    contents[layer] = null;
                }
            }
            else
            {
                Sum(layer, grounds);
                Sum(layer, contents);
                var said = grounds.ContainsKey(layer) ? grounds : contents;
                if (said.GetValueOrDefault(layer) is { } screen)
                {
                    found[layer] = screen;
                }
            }
        }
        return found;

        // What all say that say something; null where they differ.
        static void Sum(Layer group, Dictionary<Layer, Screen?> said)
        {
            var all = group.Children.Where(said.ContainsKey).Select(c => said[c]).Distinct().Take(2).ToList();
            if (all.Count > 0)
            {
                said[group] = all.Count == 1 ? all[0] : null;
            }
        }
    }

    private Screen? WhereItShows(Layer layer, Box box)
    {
        var shown = drawing.Screens.Select(s => (Screen: s, Common: s.Box.Intersect(box))).Where(s => Area(s.Common) > 0).ToList();
        if (shown.Count(s => Area(s.Common) > MostOfLayer * Area(s.Screen.Box)) > 1)
        {
            return null;
        }
        return layer.Content == LayerContent.Text && shown.Find(s => s.Common.X == box.X).Screen is { } begins ? begins
            : shown.Where(s => Area(s.Common) >= LeastOfLayer * Area(box)).OrderByDescending(s => Area(s.Common)).Select(s => s.Screen).FirstOrDefault();
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
