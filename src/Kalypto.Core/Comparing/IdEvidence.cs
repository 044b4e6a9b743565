namespace Kalypto.Core.Comparing;

/// <summary>Names and ids that programs gave, as far as they mean something: some keep them, others make them anew each time.</summary>
internal static class IdEvidence
{
    public static double Weigh(Pairing pairing, int a, int b)
    {
        var (old, now) = (pairing.Old.Id[a], pairing.New.Id[b]);
        return old == 0 || now == 0 ? 0 : old == now ? pairing.Ids.Kept * pairing.Rarity.Of(old) : -3 * pairing.Ids.Kept;
    }
}
