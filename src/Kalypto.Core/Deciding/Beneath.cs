using Kalypto.Core.Designs;

namespace Kalypto.Core.Deciding;

/// <summary>Finds what is painted over a layer, so that the layer can be shown with just what lies beneath it.</summary>
internal static class Beneath
{
    /// <summary>The ordinals of the layers painted after this one, and of guides: what stays out of a picture of it on its screen.</summary>
    public static HashSet<int> NotOf(DrawingTree drawing, Layer layer)
    {
        // What was put together is drawn where the topmost of its members lies.
        var top = layer.Combined ? layer.Children.MaxBy(c => c.Ordinal) ?? layer : layer;
        var without = drawing.Layers.Where(l => l.Guide).Select(l => l.Ordinal).ToHashSet();
        var path = top.DrawnAncestors().Prepend(top).ToList();
        var after = path.Where(a => a.DrawnParent is not null).ToDictionary(a => a.DrawnParent!, a => a.Ordinal);
        foreach (var other in drawing.Layers)
        {
            if (other.DrawnParent is { } parent && !other.Combined && after.TryGetValue(parent, out var at) && other.Ordinal > at)
            {
                without.Add(other.Ordinal);
            }
        }
        return without;
    }
}
