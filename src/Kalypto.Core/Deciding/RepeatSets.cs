using Kalypto.Core.Designs;

namespace Kalypto.Core.Deciding;

/// <summary>The same drawing in several places of a project: found, and what is said of one place held for all.</summary>
public sealed class RepeatSets
{
    private readonly Dictionary<LayerRef, IReadOnlyList<LayerRef>> byLayer = [];
    private readonly IReadOnlyList<(int Design, MeasuredDrawing Drawing)> designs;

    /// <summary>Finds them over all designs of a project. Layers inside a group that repeats repeat as well.</summary>
    public RepeatSets(IReadOnlyList<(int Design, MeasuredDrawing Drawing)> designs)
    {
        this.designs = designs;
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

    /// <summary>True when they were found over just these drawings.</summary>
    public bool AreOf(IEnumerable<(int Design, MeasuredDrawing Drawing)> others) => designs.SequenceEqual(others);

    /// <summary>All places of a layer's drawing, itself among them, in the order of the project; empty when it does not repeat.</summary>
    public IReadOnlyList<LayerRef> PlacesOf(LayerRef layer) => byLayer.GetValueOrDefault(layer) ?? [];

    /// <summary>The places that share what is said of a layer: all that nobody took apart; only itself when it was taken apart.</summary>
    public IReadOnlyList<LayerRef> SharedWith(LayerRef layer, Func<LayerRef, Mark> mark) =>
        PlacesOf(layer) is { Count: > 0 } places && !mark(layer).Apart ? [.. places.Where(p => !mark(p).Apart)] : [layer];

    /// <summary>Marks with what is said of one place given to the places of which nothing is said, as those of a design brought in later.</summary>
    /// <param name="marks">What was said, by design and ordinal.</param>
    /// <returns>The marks of each design: the very ones given where nothing is added.</returns>
    public IReadOnlyDictionary<int, IReadOnlyDictionary<int, Mark>> Shared(IReadOnlyDictionary<int, IReadOnlyDictionary<int, Mark>> marks)
    {
        var all = marks.ToDictionary();
        var added = new Dictionary<int, Dictionary<int, Mark>>();
        // A mark that was taken back says nothing either.
        Mark? Said(LayerRef r) => marks.TryGetValue(r.Design, out var design) && design.TryGetValue(r.Ordinal, out var mark) && mark != Mark.None ? mark : null;
        foreach (var set in marks.SelectMany(d => d.Value.Keys.Select(o => new LayerRef(d.Key, o))).Select(PlacesOf).Where(p => p.Count > 0).Distinct())
        {
            var first = set.Select(Said).FirstOrDefault(m => m is { Apart: false });
            foreach (var place in first is null ? [] : set.Where(p => Said(p) is null))
            {
                if (!added.TryGetValue(place.Design, out var design))
                {
                    all[place.Design] = added[place.Design] = design = marks[place.Design].ToDictionary();
                }
                design[place.Ordinal] = first!;
            }
        }
        return all;
    }
}
