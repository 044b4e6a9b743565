using Kalypto.Core.Comparing;

namespace Kalypto.Drafts;

/// <summary>How well two drafts were paired, against the truth.</summary>
/// <param name="There">Layers that are in both.</param>
/// <param name="Right">Those of them that were paired with themselves.</param>
/// <param name="Wrong">Pairs of two different layers that nobody is asked about.</param>
/// <param name="Asked">What people are asked.</param>
public sealed record Judged(int There, int Right, int Wrong, int Asked)
{
    public static Judged None { get; } = new(0, 0, 0, 0);

    public static Judged operator +(Judged a, Judged b) => new(a.There + b.There, a.Right + b.Right, a.Wrong + b.Wrong, a.Asked + b.Asked);

    /// <summary>Judges pairs by the keys of the layers in both drafts.</summary>
    public static Judged Of(DraftPairs pairs, string[] old, string[] now)
    {
        var there = old.Skip(1).Intersect(now).Count();
        var right = pairs.Pairs.Count(p => p.Old > 0 && old[p.Old] == now[p.New]);
        return new(there, right, pairs.Pairs.Count(p => old[p.Old] != now[p.New]), pairs.Asked.Length);
    }

    public override string ToString() => FormattableString.Invariant($"{There} there, {100.0 * Right / There:0.00}% right, {100.0 * Wrong / There:0.00}% wrong, {100.0 * Asked / There:0.00}% asked");
}
