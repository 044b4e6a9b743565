namespace Kalypto.Core.Comparing;

/// <summary>Names that people gave.</summary>
internal static class NameEvidence
{
    private const double Other = -2;
    private const double NoMore = -0.5;

    public static double Weigh(Pairing pairing, int a, int b)
    {
        var (old, now) = (pairing.Old, pairing.New);
        if (old.Name[a] == 0 && now.Name[b] == 0)
        {
            return 0;
        }
        if (old.Name[a] == now.Name[b])
        {
            return 1 + pairing.Rarity.Of(old.Name[a]);
        }
        return old.Name[a] == 0 || now.Name[b] == 0 ? NoMore : Other + 3 * WordLikeness.Of(old.Layers[a].Name, now.Layers[b].Name);
    }
}
