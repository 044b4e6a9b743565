namespace Kalypto.Core.Comparing;

/// <summary>Whether the ids of a file are kept from draft to draft.</summary>
internal sealed class KeptIds(Pairing pairing)
{
    private const double Before = 0.5;
    private const int Few = 4;

    /// <summary>The share of those with pairs that kept their id; a half before anything is known.</summary>
    public double Kept { get; private set; } = Before;

    /// <summary>Looks at all pairs that something else than the id says.</summary>
    public void Measure()
    {
        var (same, all) = (Before * Few, (double)Few);
        for (var a = 1; a < pairing.Old.Count; a++)
        {
            if (pairing.ToNew[a] is > 0 and var b && pairing.Old.Id[a] > 0 && pairing.New.Id[b] > 0 && pairing.Old.Print[a] == pairing.New.Print[b])
            {
                all++;
                same += pairing.Old.Id[a] == pairing.New.Id[b] ? 1 : 0;
            }
        }
        Kept = same / all;
    }
}
