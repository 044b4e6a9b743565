using System.Collections.Immutable;
using Kalypto.Core.Deciding;

namespace Kalypto.Core.Comparing;

/// <summary>Which layers of two drafts of one design are the same.</summary>
/// <param name="Pairs">Those that are sure or likely, by ordinal in the earlier draft.</param>
/// <param name="Asked">Those that people are to say; none of them has another pair.</param>
public sealed record DraftPairs(ImmutableArray<LayerPair> Pairs, ImmutableArray<LayerPair> Asked)
{
    /// <summary>Pairs the layers of two drafts, as the files have them.</summary>
    public static DraftPairs Of(MeasuredDrawing old, MeasuredDrawing now)
    {
        var numbers = new Dictionary<string, int>(StringComparer.Ordinal);
        var (before, after) = NamesByPlace.Settle(() => (new(old, numbers), new(now, numbers)));
        var pairing = new Pairing(before, after);
        ChildPairs.Pair(pairing);
        var asked = BestPairs.Pair(pairing);
        asked.AddRange(Wrappers.TakeBack(pairing));
        return new([.. pairing.Pairs], [.. asked]);
    }
}
