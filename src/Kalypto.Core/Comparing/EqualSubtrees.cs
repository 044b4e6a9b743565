namespace Kalypto.Core.Comparing;

/// <summary>From the top down: what is drawn alike under paired layers, at the same place and of the same name, is the same.</summary>
internal static class EqualSubtrees
{
    private const double Grid = 0.5;

    public static void Pair(Pairing pairing)
    {
        pairing.Pair(0, 0, PairGrade.Sure, PairReason.Unchanged);
        var open = new Queue<(int A, int B)>();
        open.Enqueue((0, 0));
        while (open.TryDequeue(out var around))
        {
            var there = pairing.New.Layers[around.B].Children.GroupBy(c => Drawn(pairing.New, c.Ordinal)).ToDictionary(g => g.Key, g => new Queue<int>(g.Select(c => c.Ordinal)));
            var left = new List<int>();
            foreach (var child in pairing.Old.Layers[around.A].Children)
            {
                if (there.TryGetValue(Drawn(pairing.Old, child.Ordinal), out var same) && same.TryDequeue(out var b))
                {
                    pairing.Pair(child.Ordinal, b, PairGrade.Sure, PairReason.Unchanged);
                    pairing.PairInside(child.Ordinal, b, PairGrade.Sure, PairReason.Unchanged);
                }
                else if (pairing.Old.IsContainer(child.Ordinal))
                {
                    left.Add(child.Ordinal);
                }
            }
            // A container in which something changed: of the same name, where it was.
            foreach (var a in left)
            {
                var key = Key(pairing.Old, a);
                var others = pairing.New.Layers[around.B].Children.Where(c => pairing.New.IsContainer(c.Ordinal) && pairing.ToOld[c.Ordinal] < 0 && Key(pairing.New, c.Ordinal) == key).ToList();
                if ((key.Name > 0 || key.Id > 0) && key.X is not null && others is [var only] && left.Count(o => Key(pairing.Old, o) == key) == 1)
                {
                    pairing.Pair(a, only.Ordinal, PairGrade.Sure, PairReason.SameName);
                    open.Enqueue((a, only.Ordinal));
                }
            }
        }
    }

    private static (int Print, int Name, double? X, double? Y) Drawn(Traits traits, int layer) => (traits.Print[layer], traits.Name[layer], Place(traits.Box[layer]?.X), Place(traits.Box[layer]?.Y));

    private static (int Name, int Id, double? X, double? Y) Key(Traits traits, int layer) => (traits.Name[layer], traits.Id[layer], Place(traits.Box[layer]?.X), Place(traits.Box[layer]?.Y));

    private static double? Place(double? edge) => edge is { } e ? Math.Round(e / Grid) : null;
}
