using Kalypto.Core.Deciding;
using Kalypto.Core.Designs;

namespace Kalypto.Core.Handover;

/// <summary>Finds what is numbered on a screen: every shipped picture, and every layer that is built in code.</summary>
public static class Pins
{
    // pt: what begins about as far down is counted across.
    private const double Band = 12;

    /// <summary>The pins of a screen, by number.</summary>
    /// <param name="design">The design.</param>
    /// <param name="screen">A screen of it.</param>
    /// <param name="pictureOf">The picture that a layer ships as, the same for all that share one; null for a layer that does not ship.</param>
    public static IReadOnlyList<Pin> Of(DesignState design, Screen screen, Func<Layer, LayerRef?> pictureOf)
    {
        var found = new List<(string Same, PinKind Kind, Layer Layer, Box Box)>();
        var hidden = new List<(Layer Layer, Layer? Normal)>();
        foreach (var part in ShownParts.Of(design, screen, pictureOf))
        {
            var layer = part.Layer;
            if (part.IsHidden)
            {
                hidden.Add((layer, design.States.TryGetValue(layer, out var states) ? states.Members.Select(m => m.Layer).FirstOrDefault(m => !m.HiddenHere) : null));
                continue;
            }
            var key = layer.Ordinal < design.Measured.RepeatKeys.Length ? design.Measured.RepeatKeys[layer.Ordinal] : null;
            // Words of the same look that say the same are one number too.
            found.Add((part.Picture is { } p ? $"{p.Design}:{p.Ordinal}" : key is { } same ? same.Hex : $"{layer.Ordinal}", part.Kind, layer, part.Box));
        }
        var pins = new List<Pin>();
        foreach (var set in found.GroupBy(f => (f.Same, f.Kind)).OrderBy(s => Math.Round(s.Min(f => f.Box.Y) / Band)).ThenBy(s => s.OrderBy(f => f.Box.Y).First().Box.X).ThenBy(s => s.First().Layer.Ordinal))
        {
            var places = set.OrderBy(f => Math.Round(f.Box.Y / Band)).ThenBy(f => f.Box.X).ToList();
            var layers = places.Select(f => f.Layer).ToHashSet();
            pins.Add(new(pins.Count + 1, set.Key.Kind, places[0].Layer.Ordinal, [.. places.Select(f => f.Box)], [.. hidden.Where(h => h.Normal is not null && layers.Contains(h.Normal)).Select(h => h.Layer.Ordinal)]));
        }
        // What ships though it is hidden, and belongs to nothing that is seen, has a number as well.
        foreach (var (layer, _) in hidden.Where(h => h.Normal is null || !found.Exists(f => f.Layer == h.Normal)))
        {
            pins.Add(new(pins.Count + 1, pictureOf(layer) is null ? PinKind.Box : PinKind.Picture, layer.Ordinal, [], []));
        }
        return pins;
    }
}
