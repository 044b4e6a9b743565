using System.Collections.Immutable;
using Kalypto.Core.Arranging;
using Kalypto.Core.Designs;
using Kalypto.Core.Naming;

namespace Kalypto.Core.Deciding;

/// <summary>Sees how a board that holds several screens can be split: by backgrounds, by groups, by gaps.</summary>
public sealed class ScreenProposals
{
    // Drawing units; a board is drawn at 1x or larger, so nothing smaller is a screen.
    private const double NarrowestScreen = 200;
    private const double LeastGap = 12;
    private const double SameBox = 0.9;
    private const int DeepestBackground = 3;
    private const int MostScreens = 60;
    private const int LongestName = 40;
    private readonly MeasuredDrawing measured;
    private readonly List<Layer> top;

    private ScreenProposals(MeasuredDrawing measured)
    {
        this.measured = measured;
        var level = measured.Drawing.Layers[0];
        // A needless outer group is stepped over.
        while (level.Children.Where(c => !c.Guide).ToList() is [{ Content: LayerContent.Group } only])
        {
            level = only;
        }
        top = [.. level.Children.Where(c => !c.Guide && !c.HiddenHere && BoxOf(c) is { IsEmpty: false })];
    }

    /// <summary>The ways to split, best first; none for a drawing that has screens already or is one.</summary>
    public static ImmutableArray<ScreenProposal> Of(MeasuredDrawing measured)
    {
        if (measured.Drawing.Screens is not [{ Root.Ordinal: 0 }])
        {
            return [];
        }
        var search = new ScreenProposals(measured);
        var kept = ImmutableArray.CreateBuilder<ScreenProposal>();
        foreach (var proposal in new[] { search.ByBackgrounds(), search.ByGroups(), search.ByGaps() }.OfType<ScreenProposal>())
        {
            if (!kept.Any(k => k.Screens.Length == proposal.Screens.Length
                && k.Screens.Zip(proposal.Screens).All(z => Alike(z.First.Box, z.Second.Box) > SameBox)))
            {
                kept.Add(proposal);
            }
        }
        return kept.ToImmutable();
    }

    private ScreenProposal? ByBackgrounds()
    {
        var grounds = new List<(Layer Layer, Box Box)>();
        foreach (var layer in measured.Drawing.Layers[0].SelfAndDescendants().Where(l => l.Content is LayerContent.Shape or LayerContent.Image or LayerContent.Repeat && l.Depth <= DeepestBackground + 1 && !l.HiddenHere))
        {
            if (BoxOf(layer) is { } box && box.Width >= NarrowestScreen && DeviceSizes.HasDeviceProportions(box) && !IsWholeBoard(box)
                && !grounds.Any(g => Overlap(g.Box, box) > 0.02))
            {
                grounds.Add((layer, box));
            }
        }
        return grounds.Count < 2 ? null
            : Make("backgrounds", $"{grounds.Count} backgrounds of {DeviceName(grounds.Select(g => g.Box))} size", grounds.Select(g => (GroupAround(g.Layer, g.Box), g.Box)));
    }

    private ScreenProposal? ByGroups()
    {
        var groups = top.Where(l => l.Content == LayerContent.Group).Select(l => (Layer: l, Box: BoxOf(l)!.Value)).ToList();
        return groups.Count >= 2 && groups.Count >= 0.6 * top.Count(l => l.Content != LayerContent.Text)
            && groups.All(g => g.Box.Width >= NarrowestScreen && g.Box.Height >= NarrowestScreen && !IsWholeBoard(g.Box))
            && groups.All(a => groups.All(b => a.Layer == b.Layer || Overlap(a.Box, b.Box) < 0.05))
            ? Make("groups", $"{groups.Count} groups beside one another", groups.Select(g => ((Layer?)g.Layer, g.Box))) : null;
    }

    private ScreenProposal? ByGaps()
    {
        // What spans the whole board, as a ground does, closes every gap.
        var boxes = top.Select(l => BoxOf(l)!.Value).Where(b => !IsWholeBoard(b)).ToList();
        var parts = Cut(boxes, across: true).SelectMany(column => Cut(column, across: false))
            .Select(part => part.Aggregate((a, b) => a.Union(b)))
            .Where(box => box.Width >= NarrowestScreen && box.Height >= NarrowestScreen).ToList();
        // Gaps lie between the parts of every page; screens are of one width and as tall as a device at least.
        return parts.Count is >= 2 and <= MostScreens && parts.Max(p => p.Width) < 1.35 * parts.Min(p => p.Width) && parts.All(p => p.Height > 0.9 * p.Width)
            ? Make("gaps", $"{parts.Count} parts with gaps between them", parts.Select(p => ((Layer?)null, p))) : null;
    }

    private static IEnumerable<List<Box>> Cut(List<Box> boxes, bool across)
    {
        var part = new List<Box>();
        var end = double.NegativeInfinity;
        foreach (var box in boxes.OrderBy(b => across ? b.X : b.Y))
        {
            if (part.Count > 0 && (across ? box.X : box.Y) > end + LeastGap)
            {
                yield return part;
                part = [];
            }
            part.Add(box);
            end = Math.Max(end, across ? box.Right : box.Bottom);
        }
        if (part.Count > 0)
        {
            yield return part;
        }
    }

    private ScreenProposal? Make(string by, string why, IEnumerable<(Layer? Layer, Box Box)> found)
    {
        // In reading order: rows from the top, each from the left.
        var ordered = found.OrderBy(f => f.Box.Y).ToList();
        var rows = new List<List<(Layer? Layer, Box Box)>>();
        foreach (var screen in ordered)
        {
            if (rows.Count == 0 || screen.Box.Y > rows[^1][0].Box.Y + rows[^1][0].Box.Height / 2)
            {
                rows.Add([]);
            }
            rows[^1].Add(screen);
        }
        var screens = rows.SelectMany(r => r.OrderBy(s => s.Box.X)).Take(MostScreens)
            .Select(s => new NewScreen(NameFor(s.Layer, s.Box), s.Box, s.Layer?.Ordinal)).ToImmutableArray();
        return screens.Length < 2 ? null : new(by, why, screens);
    }

    /// <summary>The group that is the screen of a background: it holds it and is as large.</summary>
    private Layer? GroupAround(Layer ground, Box box) => ground.Parent is { Content: LayerContent.Group, Children.Count: > 1 } group
        && BoxOf(group) is { } around && Alike(around, box) > SameBox ? group : null;

    /// <summary>A real name of a group as large, else the largest words in the upper part, else none.</summary>
    private string NameFor(Layer? layer, Box box)
    {
        var named = measured.Drawing.Layers.FirstOrDefault(l => l.Content == LayerContent.Group && !DefaultNames.IsNotNamed(l)
            && (l == layer || BoxOf(l) is { } b && Alike(b, box) > SameBox));
        if (named is not null)
        {
            return named.Name;
        }
        var title = measured.Drawing.Layers
            .Where(l => l.Content == LayerContent.Text && !l.HiddenHere && BoxOf(l) is { IsEmpty: false } b && b.Intersect(box) == b && b.Y < box.Y + box.Height / 3)
            .Select(l => (Text: LayerText.Of(l), Height: BoxOf(l)!.Value.Height))
            .Where(t => t.Text.Length is > 1 and <= LongestName && t.Text.Any(char.IsLetter))
            .OrderByDescending(t => t.Height).FirstOrDefault();
        return title.Text ?? "";
    }

    private bool IsWholeBoard(Box box) => Alike(box.Intersect(measured.Drawing.Box), measured.Drawing.Box) > 0.85;

    private static string DeviceName(IEnumerable<Box> boxes) => DeviceSizes.Of(boxes.First().Scale(1 / DeviceSizes.DrawnAt([boxes.First()]))) ?? "one";

    private Box? BoxOf(Layer layer) => measured.ShapeOf(layer);

    private static double Overlap(Box a, Box b) => a.Intersect(b) is var c ? c.Width * c.Height / Math.Max(1, Math.Min(a.Width * a.Height, b.Width * b.Height)) : 0;

    private static double Alike(Box a, Box b) => a.Intersect(b) is var c ? c.Width * c.Height / Math.Max(1, a.Width * a.Height + b.Width * b.Height - c.Width * c.Height) : 0;
}
