using Kalypto.Core.Designs;

namespace Kalypto.Core.Comparing;

/// <summary>
/// Names that a program counts through the file ("path12", "row 3") go to the next layer when one is inserted before. Where layers
/// that are the same by all else have handed theirs on, names of that sort say as little as ids that are made anew.
/// </summary>
internal static class NamesByPlace
{
    private const int Fewest = 2;
    private const double Enough = 0.03;

    /// <summary>The traits of two drafts, with names that were handed on taken for ids.</summary>
    public static (Traits Old, Traits New) Settle(Func<(Traits Old, Traits New)> traits)
    {
        // What pairs without such names says whether they were kept.
        var (old, now) = traits();
        foreach (var layers in new[] { old, now })
        {
            layers.Demote(l => IsId(l) || IsNumbered(l));
        }
        var pairing = new Pairing(old, now);
        ChildPairs.Pair(pairing);
        var pairs = pairing.Pairs.Where(p => old.Print[p.Old] == now.Print[p.New] && p.Old > 0).Select(p => (A: old.Layers[p.Old], B: now.Layers[p.New])).ToList();
        var result = traits();
        foreach (var sort in new Func<Layer, bool>[] { IsId, IsNumbered })
        {
            if (AreHandedOn(pairs, NamesOf(old, sort), NamesOf(now, sort), sort))
            {
                result.Old.Demote(sort);
                result.New.Demote(sort);
            }
        }
        return result;
    }

    // Kept ones stay with what they were given to: one that something else has by now was handed on.
    private static bool AreHandedOn(List<(Layer A, Layer B)> pairs, HashSet<string> old, HashSet<string> now, Func<Layer, bool> sort)
    {
        var named = pairs.FindAll(p => sort(p.A) && sort(p.B));
        var moved = named.Count(p => p.A.Name != p.B.Name && (now.Contains(p.A.Name) || old.Contains(p.B.Name)));
        return moved >= Fewest && moved > Enough * named.Count;
    }

    private static HashSet<string> NamesOf(Traits traits, Func<Layer, bool> sort) => [.. traits.Layers.Where(sort).Select(l => l.Name)];

    private static bool IsId(Layer layer) => layer.NameSource == NameSource.Id;

    private static bool IsNumbered(Layer layer) => layer.NameSource == NameSource.Given && layer.Name.Length > 0 && char.IsDigit(layer.Name[^1]);
}
