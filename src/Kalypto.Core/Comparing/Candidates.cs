using System.Collections.Concurrent;
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
    private readonly ConcurrentDictionary<int, Dictionary<(int, int), List<int>>> sharingNear = [];
    private readonly Dictionary<(int, int), List<int>> cells;
    private readonly double cell;

    public Candidates(Pairing pairing)
    {
        this.pairing = pairing;
        var now = pairing.New;
        var left = Enumerable.Range(0, now.Count).Where(b => pairing.ToOld[b] < 0).ToList();
        sharing = left.SelectMany(b => Numbers(now, b).Where(n => n > 0).Select(n => (Number: n, Layer: b))).ToLookup(s => s.Number, s => s.Layer);
        cell = Math.Max(1, Math.Max(now.Box[0]?.Width ?? 0, now.Box[0]?.Height ?? 0) / Cells);
        cells = CellsOf(left);
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
                Share(number);
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

        // Of many only those around the places where it may be, cell by cell.
        void Share(int number)
        {
            var all = sharing[number];
            if (places.Count == 0 || !all.Skip(Few).Any())
            {
                Add(all);
                return;
            }
            var near = sharingNear.GetOrAdd(number, n => CellsOf(sharing[n]));
            foreach (var place in places)
            {
                var (x, y) = CellOf(place);
                var around = new List<int>();
                for (var (ring, enough) = (0, 2 * Cells); ring <= enough && ring <= Cells; ring++)
                {
                    foreach (var key in Ring(x, y, ring))
                    {
                        around.AddRange(near.GetValueOrDefault(key) ?? []);
                    }
                    // Whatever lies in the next ring may be nearer than what lies in a corner of this one.
                    enough = around.Count >= Nearest ? Math.Min(enough, ring + 1) : enough;
                }
                Add(around);
            }
        }

        // Of many only the nearest.
        void Add(IEnumerable<int> layers)
        {
            var list = layers as IReadOnlyCollection<int> ?? [.. layers];
            found.UnionWith(list.Count <= Few ? list : places.Count == 0 ? list.Take(Few) : list.OrderBy(b => now.Box[b] is { } box
                ? places.Min(p => PlaceEvidence.Distance(p, box, pairing.Moves.Scale)) : double.MaxValue).Take(Nearest));
        }
    }

    private Dictionary<(int, int), List<int>> CellsOf(IEnumerable<int> layers)
    {
        var found = new Dictionary<(int, int), List<int>>();
        foreach (var b in layers)
        {
            if (pairing.New.Box[b] is { } box)
            {
                var key = CellOf(box);
                if (!found.TryGetValue(key, out var inside))
                {
                    found[key] = inside = [];
                }
                inside.Add(b);
            }
        }
        return found;
    }

    private static IEnumerable<(int, int)> Ring(int x, int y, int ring)
    {
        for (var i = -ring; i <= ring; i++)
        {
            for (var j = -ring; j <= ring; j += Math.Abs(i) == ring || ring == 0 ? 1 : 2 * ring)
            {
                yield return (x + i, y + j);
            }
        }
    }

    private static IEnumerable<int> Numbers(Traits traits, int layer) => [traits.Print[layer], traits.Name[layer], traits.Id[layer], traits.Form[layer], traits.Outline[layer]];

    private (int, int) CellOf(Box box) => ((int)Math.Clamp((box.X + box.Width / 2) / cell, -1e6, 1e6), (int)Math.Clamp((box.Y + box.Height / 2) / cell, -1e6, 1e6));
}
