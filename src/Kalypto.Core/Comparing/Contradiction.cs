namespace Kalypto.Core.Comparing;

/// <summary>
/// Two layers of different names that are not drawn alike, or two rows of a list at different places that share nothing of what
/// tells rows apart: whatever else speaks for them, people are asked.
/// </summary>
internal static class Contradiction
{
    private const double Alike = 0.34;
    private const double Half = 0.5;
    private const double SamePlace = 2;

    public static bool Is(Pairing pairing, int a, int b) => IsOfOtherNames(pairing, a, b) || IsAnotherRow(pairing, a, b);

    // Also parts of two such rows, of which one is gone and one is new.
    private static bool IsAnotherRow(Pairing pairing, int a, int b)
    {
        var (old, now) = (pairing.Old, pairing.New);
        // Drawn at another size, nothing that they hold has the same print.
        if (pairing.Moves.Scale != 1)
        {
            return false;
        }
        if (!old.IsContainer(a) && !now.IsContainer(b))
        {
            (a, b) = (old.Parent[a], now.Parent[b]);
            if (a < 0 || b < 0 || pairing.ToNew[a] >= 0 || pairing.ToOld[b] >= 0)
            {
                return false;
            }
        }
        return old.IsContainer(a) && now.IsContainer(b) && old.Parent[a] is >= 0 and var around && pairing.ToNew[around] is >= 0 and var there && now.Parent[b] == there
            && PlaceEvidence.Weigh(pairing, a, b) < SamePlace && Rows.TellApart(pairing, around, there, a, b);
    }

    private static bool IsOfOtherNames(Pairing pairing, int a, int b) => pairing.Old.Name[a] > 0 && pairing.New.Name[b] > 0 && pairing.Old.Name[a] != pairing.New.Name[b]
        && !IsDrawnAlike(pairing, a, b) && WordLikeness.Of(pairing.Old.Layers[a].Name, pairing.New.Layers[b].Name) < Alike;

    private static bool IsDrawnAlike(Pairing pairing, int a, int b)
    {
        if (IsAlike(pairing, a, b))
        {
            return true;
        }
        var (alike, all) = (0, 0);
        for (var i = a + 1; i < pairing.Old.End[a]; i++)
        {
            if (!pairing.Old.IsContainer(i))
            {
                all++;
                alike += pairing.ToNew[i] is >= 0 and var other && pairing.New.Holds(b, other) && IsAlike(pairing, i, other) ? 1 : 0;
            }
        }
        return all > 0 && alike >= Half * all;
    }

    private static bool IsAlike(Pairing pairing, int a, int b) =>
        pairing.Old.Print[a] == pairing.New.Print[b] || pairing.Old.Form[a] == pairing.New.Form[b] || pairing.Old.Outline[a] == pairing.New.Outline[b];
}
