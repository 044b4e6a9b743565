using Kalypto.Core.Deciding;
using Kalypto.Core.Designs;

namespace Kalypto.Core.Handover;

/// <summary>Finds the parts of a screen that developers get.</summary>
public static class ShownParts
{
    /// <summary>The parts, from what lies at the bottom to what lies on top.</summary>
    /// <param name="design">The design.</param>
    /// <param name="screen">A screen of it.</param>
    /// <param name="pictureOf">The picture that a layer ships as, the same for all that share one; null for a layer that does not ship.</param>
    public static IEnumerable<ShownPart> Of(DesignState design, Screen screen, Func<Layer, LayerRef?> pictureOf)
    {
        var corner = design.ToPoints(screen.Box);
        foreach (var layer in design.Measured.LayersOf(screen).Where(l => l != screen.Root && l.Content != LayerContent.Screen))
        {
            var picture = pictureOf(layer);
            if ((picture is null && design.MarkOf(layer).Decision != Decision.Code) || layer.Guide || design.PointsOf(layer) is not { } box)
            {
                continue;
            }
            var shown = (box with { X = box.X - corner.X, Y = box.Y - corner.Y }).Intersect(new(0, 0, corner.Width, corner.Height));
            if (layer.HiddenHere || shown is not { Width: <= 0, Height: <= 0 })
            {
                yield return new(layer, picture, shown);
            }
        }
    }
}
