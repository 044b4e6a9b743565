namespace Kalypto.Core.Comparing;

/// <summary>
/// What speaks for and against two layers being the same one: the sum of the logarithms of how many times likelier each
/// thing is for the same layer than for any two.
/// </summary>
internal static class Evidence
{
    private static readonly (PairReason Reason, Func<Pairing, int, int, double> Weigh)[] All =
    [
        (PairReason.SameDrawing, DrawingEvidence.Weigh), (PairReason.SameName, NameEvidence.Weigh), (PairReason.SameId, IdEvidence.Weigh),
        (PairReason.SamePlace, PlaceEvidence.Weigh), (PairReason.SamePlace, AroundEvidence.Weigh), (PairReason.SameInside, InsideEvidence.Weigh),
    ];

    public static double Weigh(Pairing pairing, int a, int b)
    {
        var sum = 0.0;
        foreach (var (_, weigh) in All)
        {
            sum += weigh(pairing, a, b);
        }
        return sum;
    }

    /// <summary>What speaks most for it.</summary>
    public static PairReason ReasonOf(Pairing pairing, int a, int b) => All.Select(e => (e.Reason, Weight: e.Weigh(pairing, a, b))).MaxBy(e => e.Weight).Reason switch
    {
        PairReason.SameDrawing when pairing.Old.Print[a] != pairing.New.Print[b] => PairReason.SameForm,
        var reason => reason,
    };
}
