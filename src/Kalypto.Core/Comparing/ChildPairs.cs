namespace Kalypto.Core.Comparing;

/// <summary>
/// From the top down, the children of two paired layers: first what only one on either side can be, by what is drawn and written;
/// then what looks like others, by those beside it that were found. A place alone tells rows of a list apart only where nothing else does.
/// </summary>
internal static class ChildPairs
{
    private const double Grid = 0.5;

    /// <summary>Pairs the roots, and all that is clear under them.</summary>
    public static void Pair(Pairing pairing)
    {
        pairing.Pair(0, 0, PairGrade.Sure, PairReason.Unchanged);
        pairing.Moves.Measure();
        Under(pairing, 0, 0);
    }

    /// <summary>Pairs what is clear under two paired layers.</summary>
    public static void Under(Pairing pairing, int a, int b)
    {
        var open = new Queue<(int A, int B)>();
        open.Enqueue((a, b));
        while (open.TryDequeue(out var around))
        {
            var (old, now) = (Left(pairing.Old, around.A, pairing.ToNew), Left(pairing.New, around.B, pairing.ToOld));
            Single(pairing, old, now);
            foreach (var found in Rows.Pair(pairing, around.A, old, now))
            {
                open.Enqueue(found);
            }
            Companions.Pair(pairing, around.A, old, now);
            foreach (var found in SameNames(pairing, old, now))
            {
                open.Enqueue(found);
            }
        }
    }

    /// <summary>Pairs two layers that are drawn alike, with all that lies in them.</summary>
    public static void Whole(Pairing pairing, int a, int b)
    {
        var reason = Place(pairing.Old, a) == Place(pairing.New, b) ? PairReason.Unchanged : PairReason.SameDrawing;
        pairing.Pair(a, b, PairGrade.Sure, reason);
        pairing.PairInside(a, b, PairGrade.Sure, reason);
    }

    private static List<int> Left(Traits traits, int around, int[] pairs) => [.. traits.Layers[around].Children.Select(c => c.Ordinal).Where(c => pairs[c] < 0)];

    // Drawn as no other beside it, in both drafts.
    private static void Single(Pairing pairing, List<int> old, List<int> now)
    {
        var ofNew = now.ToLookup(b => pairing.New.Print[b]);
        foreach (var same in old.Where(a => pairing.Old.Print[a] > 0).GroupBy(a => pairing.Old.Print[a]))
        {
            if (same.ToList() is [var a] && ofNew[same.Key].ToList() is [var b] && HasName(pairing, a, b))
            {
                Whole(pairing, a, b);
            }
        }
    }

    // One that is called otherwise by people is a copy as well as a new name: that is weighed later.
    private static bool HasName(Pairing pairing, int a, int b) => pairing.Old.Name[a] == pairing.New.Name[b]
        // Drawn at another size, one shape comes to look like another one.
        && (pairing.Moves.Scale == 1 || pairing.Old.IsContainer(a) || pairing.Old.Name[a] > 0);

    /// <summary>Containers in which something changed: of the same name, where they were, and none beside them says otherwise.</summary>
    private static IEnumerable<(int A, int B)> SameNames(Pairing pairing, List<int> old, List<int> now)
    {
        var ofNew = now.Where(b => pairing.New.IsContainer(b) && pairing.ToOld[b] < 0).ToLookup(b => Key(pairing.New, b));
        foreach (var same in old.Where(a => pairing.Old.IsContainer(a) && pairing.ToNew[a] < 0).ToLookup(a => Key(pairing.Old, a)))
        {
            if ((same.Key.Name > 0 || same.Key.Id > 0) && same.Key.Place.X is not null && same.ToList() is [var a] && ofNew[same.Key].ToList() is [var b])
            {
                pairing.Pair(a, b, PairGrade.Sure, PairReason.SameName);
                yield return (a, b);
            }
        }
    }

    /// <summary>What is called alike and lies at the same place has the same.</summary>
    public static (int Name, int Id, (double? X, double? Y) Place) Key(Traits traits, int layer) => (traits.Name[layer], traits.Id[layer], Place(traits, layer));

    private static (double? X, double? Y) Place(Traits traits, int layer) => (Rounded(traits.Box[layer]?.X), Rounded(traits.Box[layer]?.Y));

    /// <summary>An edge on a grid: files write numbers with few decimals.</summary>
    public static double? Rounded(double? edge) => edge is { } e ? Math.Round(e / Grid) : null;
}
