namespace Kalypto.Core.Comparing;

/// <summary>Two drafts while their layers are being paired.</summary>
internal sealed class Pairing
{
    private readonly PairGrade[] grades;
    private readonly PairReason[] reasons;

    public Pairing(Traits old, Traits now)
    {
        (Old, New) = (old, now);
        ToNew = new int[old.Count];
        ToOld = new int[now.Count];
        Array.Fill(ToNew, -1);
        Array.Fill(ToOld, -1);
        grades = new PairGrade[old.Count];
        reasons = new PairReason[old.Count];
        Rarity = new(old, now);
        Moves = new(this);
        Ids = new(this);
    }

    public Traits Old { get; }

    public Traits New { get; }

    /// <summary>The layer of the later draft for each of the earlier one; -1 for none yet.</summary>
    public int[] ToNew { get; }

    /// <summary>The layer of the earlier draft for each of the later one; -1 for none yet.</summary>
    public int[] ToOld { get; }

    public Rarity Rarity { get; }

    public Moves Moves { get; }

    public KeptIds Ids { get; }

    public void Pair(int a, int b, PairGrade grade, PairReason reason)
    {
        (ToNew[a], ToOld[b]) = (b, a);
        (grades[a], reasons[a]) = (grade, reason);
    }

    /// <summary>Takes the pair of an old layer back.</summary>
    public void Part(int a) => (ToOld[ToNew[a]], ToNew[a]) = (-1, -1);

    /// <summary>Pairs two equal drawings with all that lies in them.</summary>
    public void PairInside(int a, int b, PairGrade grade, PairReason reason)
    {
        if (Old.End[a] - a != New.End[b] - b)
        {
            return;
        }
        for (var i = 1; i < Old.End[a] - a; i++)
        {
            if (ToNew[a + i] < 0 && ToOld[b + i] < 0)
            {
                Pair(a + i, b + i, grade, reason);
            }
        }
    }

    /// <summary>The nearest layer around an old one that has its pair already; -1 for none.</summary>
    public int PairedAround(int a)
    {
        for (var around = Old.Parent[a]; around >= 0; around = Old.Parent[around])
        {
            if (ToNew[around] >= 0)
            {
                return around;
            }
        }
        return -1;
    }

    public IEnumerable<LayerPair> Pairs => Enumerable.Range(0, Old.Count).Where(a => ToNew[a] >= 0).Select(a => new LayerPair(a, ToNew[a], grades[a], reasons[a]));
}
