using Kalypto.Core.Designs;
using Kalypto.Core.Naming;

namespace Kalypto.Core.Deciding;

/// <summary>The same drawing in several places of a project: found, and what is said of one place held for all.</summary>
public sealed class RepeatSets
{
    private readonly Dictionary<LayerRef, IReadOnlyList<LayerRef>> byLayer = [];
    private readonly Dictionary<LayerRef, string?> called = [];
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
        var drawings = designs.ToDictionary(d => d.Design, d => d.Drawing);
        foreach (var set in places.Values.Where(p => p.Count > 1))
        {
            foreach (var layer in set)
            {
                byLayer[layer] = set;
                called[layer] = OwnName(drawings[layer.Design], layer.Ordinal);
            }
            // Those that nobody named belong to the first that has a name.
            var first = set.Select(l => called[l]).FirstOrDefault(n => n is not null);
            foreach (var layer in set.Where(l => called[l] is null))
            {
                called[layer] = first;
            }
        }
    }

    /// <summary>What people called a layer in the drawing, without what copying added, as words; null when nobody did.</summary>
    public static string? OwnName(MeasuredDrawing drawing, int ordinal) => drawing.Drawing.Layers[ordinal] is var layer && drawing.IsNotNamed(layer) ? null
        : string.Join('-', NameWords.Split(DefaultNames.WithoutCopy(layer.Name)));

    /// <summary>True for two places of one drawing that go by one name. What is said of the drawing holds for all places, a name only for those.</summary>
    public bool AreCalledAlike(LayerRef one, LayerRef other) => one == other || called.GetValueOrDefault(one) == called.GetValueOrDefault(other);

    /// <summary>True when they were found over just these drawings.</summary>
    public bool AreOf(IEnumerable<(int Design, MeasuredDrawing Drawing)> others) => designs.SequenceEqual(others);

    /// <summary>All places of a layer's drawing, itself among them, in the order of the project; empty when it does not repeat.</summary>
    public IReadOnlyList<LayerRef> PlacesOf(LayerRef layer) => byLayer.GetValueOrDefault(layer) ?? [];

    /// <summary>The places that share what is said of a layer: all that nobody took apart; only itself when it was taken apart.</summary>
    public IReadOnlyList<LayerRef> SharedWith(LayerRef layer, Func<LayerRef, Mark> mark) =>
        PlacesOf(layer) is { Count: > 0 } places && !mark(layer).Apart ? [.. places.Where(p => !mark(p).Apart)] : [layer];

    /// <summary>The places that share a layer's name too.</summary>
    public IReadOnlyList<LayerRef> NamedWith(LayerRef layer, Func<LayerRef, Mark> mark) => [.. SharedWith(layer, mark).Where(p => AreCalledAlike(layer, p))];

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
            var said = set.Where(p => Said(p) is { Apart: false }).ToList();
            foreach (var place in said.Count == 0 ? [] : set.Where(p => Said(p) is null))
            {
                var alike = said.FirstOrDefault(s => AreCalledAlike(s, place), said[0]);
                var mark = Said(alike)! is var m && AreCalledAlike(alike, place) ? m : m with { ShipName = null };
                if (!added.TryGetValue(place.Design, out var design))
                {
                    all[place.Design] = added[place.Design] = design = marks[place.Design].ToDictionary();
                }
                design[place.Ordinal] = mark;
            }
        }
        return all;
    }
}
