using System.Collections.Concurrent;
using System.Runtime.CompilerServices;
using Kalypto.Core.Deciding;
using Kalypto.Core.Designs;
using Kalypto.Core.Styling;

namespace Kalypto.Core.Handover;

/// <summary>Finds what nobody gets: what is seen on a screen and is in no picture, in no code, and was not left on purpose.</summary>
public static class Unreached
{
    // What is seen does not hang on what anybody decides.
    private static readonly ConditionalWeakTable<MeasuredDrawing, ConcurrentDictionary<Screen, IReadOnlyList<Layer>>> Seen = [];
    private static readonly ConditionalWeakTable<DesignState, ConcurrentDictionary<Screen, IReadOnlyList<Layer>>> Known = [];

    /// <summary>The parts of a screen that reach nobody, in order; a group of which nothing reaches anybody is one part.</summary>
    public static IReadOnlyList<Layer> Of(DesignState design, Screen screen) => Known.GetOrCreateValue(design).GetOrAdd(screen, s => Find(design, s));

    private static List<Layer> Find(DesignState design, Screen screen)
    {
        var reader = new ValuesReader(design, screen);
        var seen = Seen.GetOrCreateValue(design.Measured).GetOrAdd(screen, s => SeenOn(design, s));
        var open = seen.Where(l => !Reaches(design, l, reader)).ToHashSet();
        if (open.Count == 0)
        {
            return [];
        }
        // The outermost of what is missing as a whole.
        var whole = seen.Where(l => !open.Contains(l)).SelectMany(l => l.Ancestors()).ToHashSet();
        return [.. open.Select(l => l.Ancestors().TakeWhile(a => a != screen.Root && a.Content != LayerContent.Screen && !whole.Contains(a) && !design.Measured.IsNeedlessOuter(a)).LastOrDefault() ?? l).Distinct().OrderBy(l => l.Ordinal)];
    }

    /// <summary>True for a layer that somebody gets: in a picture, as code, or left on purpose.</summary>
    private static bool Reaches(DesignState design, Layer layer, ValuesReader reader) => design.MarkOf(layer).Decision != Decision.Open || Progress.CoveredBy(layer, design.MarkOf) is not null
        // The box that a group stands on is told with the group.
        || layer.Parent is { } group && design.MarkOf(group).Decision == Decision.Code && reader.GroundOf(group) == layer;

    private static List<Layer> SeenOn(DesignState design, Screen screen)
    {
        var reader = new ValuesReader(design, screen);
        var worked = new Dictionary<Layer, ComputedStyle>();
        ComputedStyle StyleOf(Layer layer) => worked.TryGetValue(layer, out var known) ? known : worked[layer] = (layer.DrawnParent is { } around ? StyleOf(around) : ComputedStyle.Initial).In(layer.Element);
        var seen = design.Measured.LayersOf(screen).Where(l => l != screen.Root && l.Children.Count == 0 && IsSeen(design, screen, l, StyleOf(l))).ToList();
        // What lies wholly beneath something that nothing shines through is not seen.
        var corner = design.ToPoints(screen.Box);
        var covers = seen.Where(l => l.Content is LayerContent.Shape or LayerContent.Repeat).Select(l => (l.Ordinal, Values: reader.Of(l)))
            .Where(c => c.Values is { Opacity: >= 1, Turn: 0, Blend: null, Outline: null, Blur: 0, Beyond.IsEmpty: true } v && v.Radii.AreNone && v.Fill is SolidFill { Colour.Alpha: >= 1 }).Select(c => (c.Ordinal, c.Values!.Box)).ToList();
        return [.. seen.Where(l => design.PointsOf(l) is not { } box || !covers.Exists(c => c.Ordinal > l.Ordinal && Holds(c.Box, box with { X = box.X - corner.X, Y = box.Y - corner.Y })))];
    }

    private static bool IsSeen(DesignState design, Screen screen, Layer layer, ComputedStyle style) => !layer.HiddenHere && !layer.Guide && !layer.Ancestors().Any(a => a.Guide)
        && design.Measured.ShapeOf(layer) is { } box && box.X < screen.Box.Right && box.Right > screen.Box.X && box.Y < screen.Box.Bottom && box.Bottom > screen.Box.Y
        && style is { Opacity: > 0, IsInvisible: false } && (layer.Content is not (LayerContent.Shape or LayerContent.Text) || layer.Element.Name is "use" or "g" or "text" || IsPainted(style));

    private static bool IsPainted(ComputedStyle style) => (style.Fill is not ("none" or "transparent") && style.FillOpacity > 0) || (style.Stroke is not ("none" or "transparent") && style.StrokeOpacity > 0 && style.StrokeWidth > 0);

    private static bool Holds(Box outer, Box inner) => inner.X >= outer.X && inner.Y >= outer.Y && inner.Right <= outer.Right && inner.Bottom <= outer.Bottom;
}
