namespace Kalypto.Core.Comparing;

/// <summary>Whether both lie in the same layer, and beside the same ones.</summary>
internal static class AroundEvidence
{
    private const double Elsewhere = -2.5;
    private const double Directly = 0.7;
    private const double DirectlyInside = 2;
    private const double Beside = 1.2;

    public static double Weigh(Pairing pairing, int a, int b)
    {
        var (old, now) = (pairing.Old, pairing.New);
        var around = pairing.PairedAround(a);
        if (around < 0)
        {
            return now.Parent[b] < 0 ? 0 : Elsewhere;
        }
        var there = pairing.ToNew[around];
        var sum = now.Holds(there, b) && there != b ? Math.Min(4, Math.Log(Math.Max(Rarity.Fewest, (double)now.Count) / (now.End[there] - there))) : Elsewhere;
        sum += old.Parent[a] == around && now.Parent[b] == there ? old.IsContainer(a) ? DirectlyInside : Directly : 0;
        return sum + Neighbour(pairing, a, b, -1) + Neighbour(pairing, a, b, 1);
    }

    private static double Neighbour(Pairing pairing, int a, int b, int step)
    {
        var (one, two) = (Sibling(pairing.Old, a, step), Sibling(pairing.New, b, step));
        return one < 0 && two < 0 ? Beside / 2 : one >= 0 && two >= 0 && pairing.ToNew[one] == two ? Beside : 0;
    }

    private static int Sibling(Traits traits, int layer, int step) =>
        traits.Parent[layer] is >= 0 and var parent && traits.Layers[parent].Children is var all && traits.Place[layer] + step is var at && at >= 0 && at < all.Count ? all[at].Ordinal : -1;
}
