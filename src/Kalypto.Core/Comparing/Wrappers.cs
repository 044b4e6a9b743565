namespace Kalypto.Core.Comparing;

/// <summary>Groups around one and the same thing: when one came or went, nobody can tell which of those without a name it was.</summary>
internal static class Wrappers
{
    /// <summary>Takes the pairs back that could as well be others, and returns them to be asked.</summary>
    public static IEnumerable<LayerPair> TakeBack(Pairing pairing)
    {
        var named = pairing.Pairs.Where(p => SharesName(pairing, p)).ToList();
        var (old, now) = (Chains(pairing.Old, named.Select(p => p.Old)), Chains(pairing.New, named.Select(p => p.New)));
        var unclear = pairing.Pairs.Where(p => (old[p.Old] is { } one && one.Exists(a => pairing.ToNew[a] < 0) || now[p.New] is { } two && two.Exists(b => pairing.ToOld[b] < 0)) && !IsOnly(old[p.Old], now[p.New], p)).ToList();
        foreach (var pair in unclear)
        {
            pairing.Part(pair.Old);
            yield return pair with { Grade = PairGrade.Unsure };
        }

        // What is written on one of them alone, such as where it is moved to, tells it.
        bool IsOnly(List<int>? one, List<int>? two, LayerPair pair) => pairing.Old.Shell[pair.Old] is var shell && shell == pairing.New.Shell[pair.New]
            && (one is null || one.Count(o => pairing.Old.Shell[o] == shell) == 1) && (two is null || two.Count(o => pairing.New.Shell[o] == shell) == 1);
    }

    /// <summary>The groups around one another that a layer is one of, by ordinal; null for any other layer. Those that share a name with their pair end them.</summary>
    private static List<int>?[] Chains(Traits traits, IEnumerable<int> named)
    {
        var ends = named.ToHashSet();
        var chains = new List<int>?[traits.Count];
        for (var o = 1; o < traits.Count; o++)
        {
            if (chains[o] is not null)
            {
                continue;
            }
            var chain = new List<int>();
            for (var at = o; IsGroup(traits, at) && !ends.Contains(at); at = traits.Layers[at].Children is [var only] ? only.Ordinal : -1)
            {
                chain.Add(at);
            }
            if (chain.Count > 1)
            {
                chain.ForEach(c => chains[c] = chain);
            }
        }
        return chains;
    }

    // The innermost may hold several.
    private static bool IsGroup(Traits traits, int o) => o > 0 && traits.IsContainer(o) && traits.Layers[o].ViewBox is null;

    private static bool SharesName(Pairing pairing, LayerPair pair) =>
        pairing.Old.Name[pair.Old] is var name and > 0 && name == pairing.New.Name[pair.New] || pairing.Old.Id[pair.Old] is var id and > 0 && id == pairing.New.Id[pair.New];
}
