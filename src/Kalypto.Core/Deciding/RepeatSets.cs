using Kalypto.Core.Designs;

namespace Kalypto.Core.Deciding;

/// <summary>The same drawing in several places of a project: found, and what is said of one place held for all.</summary>
public sealed class RepeatSets
{
    private readonly Dictionary<LayerRef, IReadOnlyList<LayerRef>> byLayer = [];

    /// <summary>Finds them over all designs of a project. Layers inside a group that repeats repeat as well.</summary>
    public RepeatSets(IReadOnlyList<(int Design, MeasuredDrawing Drawing)> designs)
    {
        var places = new Dictionary<Fingerprint, List<LayerRef>>();
        foreach (var (design, drawing) in designs)
        {
            for (var ordinal = 0; ordinal < drawing.RepeatKeys.Length; ordinal++)
            {
                if (drawing.RepeatKeys[ordinal] is { } key)
                {
                    if (!places.TryGetValue(key, out var list))
                    {
                        places[key] = list = [];
                    }
                    list.Add(new(design, ordinal));
                }
            }
        }
        foreach (var set in places.Values.Where(p => p.Count > 1))
        {
            foreach (var layer in set)
            {
                byLayer[layer] = set;
            }
        }
    }

    /// <summary>All places of a layer's drawing, itself among them, in the order of the project; empty when it does not repeat.</summary>
    public IReadOnlyList<LayerRef> PlacesOf(LayerRef layer) => byLayer.GetValueOrDefault(layer) ?? [];

    /// <summary>The places that share what is said of a layer: all that nobody took apart; only itself when it was taken apart.</summary>
    public IReadOnlyList<LayerRef> SharedWith(LayerRef layer, Func<LayerRef, Mark> mark) =>
        PlacesOf(layer) is { Count: > 0 } places && !mark(layer).Apart ? [.. places.Where(p => !mark(p).Apart)] : [layer];

    /// <summary>Marks with what is said of one place given to the places of which nothing is said, as those of a design brought in later.</summary>
    /// <param name="marks">What was said, by design and ordinal.</param>
    public Dictionary<int, Dictionary<int, Mark>> Shared(IReadOnlyDictionary<int, IReadOnlyDictionary<int, Mark>> marks)
    {
        var all = marks.ToDictionary(d => d.Key, d => d.Value.ToDictionary());
        // A mark that was taken back says nothing either.
        Mark? Said(LayerRef r) => marks.TryGetValue(r.Design, out var design) && design.TryGetValue(r.Ordinal, out var mark) && mark != Mark.None ? mark : null;
        foreach (var set in marks.SelectMany(d => d.Value.Keys.Select(o => new LayerRef(d.Key, o))).Select(PlacesOf).Where(p => p.Count > 0).Distinct())
        {
            var first = set.Select(Said).FirstOrDefault(m => m is { Apart: false });
            foreach (var place in first is null ? [] : set.Where(p => Said(p) is null))
            {
                all[place.Design][place.Ordinal] = first!;
            }
        }
        return all;
    }
}
