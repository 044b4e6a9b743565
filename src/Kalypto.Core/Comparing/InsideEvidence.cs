namespace Kalypto.Core.Comparing;

/// <summary>How many of the layers in one have their pairs in the other, and how many of those directly in it.</summary>
internal static class InsideEvidence
{
    private const double Most = 8;
    private const double MostDirectly = 3;
    private const int Enough = 3;

    public static double Weigh(Pairing pairing, int a, int b)
    {
        var (old, now) = (pairing.Old, pairing.New);
        if (!old.IsContainer(a) && !now.IsContainer(b))
        {
            return 0;
        }
        var (common, paired) = (0, 0);
        for (var i = a + 1; i < old.End[a]; i++)
        {
            if (pairing.ToNew[i] is >= 0 and var other)
            {
                paired++;
                common += other > b && other < now.End[b] ? 1 : 0;
            }
        }
        for (var i = b + 1; i < now.End[b]; i++)
        {
            paired += pairing.ToOld[i] >= 0 ? 1 : 0;
        }
        return paired == 0 ? 0 : Most * (2.0 * common / paired - 0.5) * Math.Min(1, (double)Math.Max(common, paired / 2) / Enough) + Directly(pairing, a, b);
    }

    private static double Directly(Pairing pairing, int a, int b)
    {
        var (common, paired) = (0, 0);
        foreach (var child in pairing.Old.Layers[a].Children)
        {
            if (pairing.ToNew[child.Ordinal] is >= 0 and var other)
            {
                paired++;
                common += pairing.New.Parent[other] == b ? 1 : 0;
            }
        }
        return paired == 0 ? 0 : MostDirectly * common / paired;
    }
}
