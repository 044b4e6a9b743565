using Kalypto.Core.Designs;

namespace Kalypto.Core.Comparing;

/// <summary>The layers of the later draft that a layer may be: those that share something with it, and those near it.</summary>
internal sealed class Candidates
{
    private const int Few = 24;
    private const int Nearest = 8;
    private const int MostBeside = 64;
    private const int MostInside = 16;
    private const int Levels = 4;
    private const int Cells = 48;

    private readonly Pairing pairing;
    private readonly ILookup<int, int> sharing;
    private readonly Dictionary<(int, int), List<int>> cells = [];
    private readonly double cell;

    public Candidates(Pairing pairing)
    {
        this.pairing = pairing;
        var now = pairing.New;
        var left = Enumerable.Range(0, now.Count).Where(b => pairing.ToOld[b] < 0).ToList();
        sharing = left.SelectMany(b => Numbers(now, b).Where(n => n > 0).Select(n => (Number: n, Layer: b))).ToLookup(s => s.Number, s => s.Layer);
        cell = Math.Max(1, Math.Max(now.Box[0]?.Width ?? 0, now.Box[0]?.Height ?? 0) / Cells);
        foreach (var b in left)
        {
            if (now.Box[b] is { } box)
            {
                var key = CellOf(box);
                if (!cells.TryGetValue(key, out var inside))
                {
                    cells[key] = inside = [];
                }
                inside.Add(b);
            }
        }
    }

    public HashSet<int> Of(int a)
    {
        var (old, now) = (pairing.Old, pairing.New);
        var found = new HashSet<int>();
        var places = pairing.Moves.Of(a).ToList();
        foreach (var number in Numbers(old, a))
        {
            if (number > 0)
            {
                Add(sharing[number]);
            }
        }
        if (pairing.PairedAround(a) is >= 0 and var around)
        {
            Add(now.Layers[pairing.ToNew[around]].Children.Take(MostBeside).Select(c => c.Ordinal).Where(b => pairing.ToOld[b] < 0));
        }
        for (var (i, seen) = (a + 1, 0); i < old.End[a] && seen < MostInside; i++)
        {
            if (pairing.ToNew[i] is >= 0 and var inside)
            {
                seen++;
                var outer = now.Parent[inside];
                for (var level = 0; level < Levels && outer > 0; level++, outer = now.Parent[outer])
                {
                    if (pairing.ToOld[outer] < 0)
                    {
                        found.Add(outer);
                    }
                }
            }
        }
        foreach (var place in places)
        {
            var (x, y) = CellOf(place);
            Add(Enumerable.Range(x - 1, 3).SelectMany(i => Enumerable.Range(y - 1, 3), (i, j) => (i, j)).SelectMany(k => cells.TryGetValue(k, out var inside) ? inside : []));
        }
        return found;

        // Of many only the nearest.
        void Add(IEnumerable<int> layers)
        {
            var list = layers as IReadOnlyCollection<int> ?? [.. layers];
            found.UnionWith(list.Count <= Few ? list : places.Count == 0 ? list.Take(Few) : list.OrderBy(b => now.Box[b] is { } box
                ? places.Min(p => PlaceEvidence.Distance(p, box, pairing.Moves.Scale)) : double.MaxValue).Take(Nearest));
        }
    }

    private static IEnumerable<int> Numbers(Traits traits, int layer) => [traits.Print[layer], traits.Name[layer], traits.Id[layer], traits.Form[layer], traits.Outline[layer]];

    private (int, int) CellOf(Box box) => ((int)Math.Clamp((box.X + box.Width / 2) / cell, -1e6, 1e6), (int)Math.Clamp((box.Y + box.Height / 2) / cell, -1e6, 1e6));
}
