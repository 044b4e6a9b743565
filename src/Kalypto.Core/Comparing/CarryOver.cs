using System.Collections.Immutable;
using Kalypto.Core.Arranging;
using Kalypto.Core.Deciding;
using Kalypto.Core.Designs;

namespace Kalypto.Core.Comparing;

/// <summary>What a new draft takes over: the lineages of its layers, and how they were found.</summary>
/// <param name="Lineages">The lineage of each layer by ordinal; new ones for layers that were not seen before.</param>
/// <param name="Pairs">How layers were paired that are not unchanged at their place, those to be asked among them.</param>
/// <param name="Names">The names that the drawing gave layers and gives them no more, by lineage: files keep them.</param>
public sealed record CarryOver(Lineages Lineages, ImmutableArray<KeptPair> Pairs, IReadOnlyDictionary<int, string> Names)
{
    /// <summary>Carries over to a new draft.</summary>
    /// <param name="now">The new draft.</param>
    /// <param name="present">The draft that holds until now.</param>
    /// <param name="earlier">Drafts before it, the nearest first: what was gone in the present one may come back from them.</param>
    /// <param name="given">How many lineages were given so far.</param>
    public static CarryOver To(MeasuredDrawing now, DraftDrawing present, IEnumerable<DraftDrawing> earlier, int given)
    {
        var found = DraftPairs.Of(present.Measured, now);
        var count = now.Drawn.Layers.Length;
        var lineages = new int?[count];
        var kept = new List<KeptPair>();
        foreach (var pair in found.Pairs)
        {
            Take(pair, present.Lineages.Of(pair.Old));
        }
        var taken = lineages.OfType<int>().ToHashSet();
        // What is asked about is not guessed from elsewhere.
        var asked = found.Asked.Select(p => p.New).ToHashSet();
        foreach (var draft in earlier)
        {
            if (Enumerable.Range(0, count).All(o => lineages[o] is not null || asked.Contains(o)))
            {
                break;
            }
            foreach (var pair in DraftPairs.Of(draft.Measured, now).Pairs.Where(p => p.Grade == PairGrade.Sure && lineages[p.New] is null && !asked.Contains(p.New)))
            {
                if (draft.Lineages.Of(pair.Old) is var lineage && taken.Add(lineage))
                {
                    Take(pair with { Reason = PairReason.CameBack }, lineage);
                }
            }
        }
        kept.AddRange(found.Asked.Where(p => lineages[p.New] is null && !taken.Contains(present.Lineages.Of(p.Old)))
            .Select(p => new KeptPair(p.New, present.Lineages.Of(p.Old), PairGrade.Unsure, p.Reason)));
        var next = given;
        var names = found.Pairs.Where(p => !present.Measured.IsNotNamed(Old(p)) && Old(p).Name != now.Drawn.Layers[p.New].Name)
            .ToDictionary(p => present.Lineages.Of(p.Old), p => Old(p).Name);
        return new(new(count, [.. lineages.Select(l => l ?? next++)]), [.. kept.OrderBy(k => k.New)], names);

        Layer Old(LayerPair pair) => present.Measured.Drawn.Layers[pair.Old];

        void Take(LayerPair pair, int lineage)
        {
            lineages[pair.New] = lineage;
            if (pair is not { Grade: PairGrade.Sure, Reason: PairReason.Unchanged })
            {
                kept.Add(new(pair.New, lineage, pair.Grade, pair.Reason));
            }
        }
    }
}
