namespace Kalypto.Core.Comparing;

/// <summary>
/// Containers beside each other, such as the rows of a list, by what lies in them: what all of them hold says nothing, what only
/// one holds (its photo, its words, a name) says which it is.
/// </summary>
internal static class Rows
{
    // Of what tells them apart, the share that two have to have in common.
    private const double Enough = 0.3;
    private const double Clear = 0.5;
    private const int List = 3;
    // It takes more to tell that one went somewhere else.
    private const double SamePlace = 1;
    // How far the best must be before the next: a thing that only half of them have.
    private static readonly double Ahead = Math.Log(2);

    /// <summary>Pairs those that are clear, and returns those in which something changed.</summary>
    public static List<(int A, int B)> Pair(Pairing pairing, int around, List<int> old, List<int> now)
    {
        var changed = new List<(int, int)>();
        var (rowsOfOld, rowsOfNew) = (RowsOf(pairing.Old, old, pairing.ToNew), RowsOf(pairing.New, now, pairing.ToOld));
        if (rowsOfOld.Count == 0 || rowsOfNew.Count == 0)
        {
            return changed;
        }
        var (ofOld, ofNew) = (rowsOfOld.ConvertAll(pairing.Old.Contents.Of), rowsOfNew.ConvertAll(pairing.New.Contents.Of));
        // Those that are found already say too what all of them hold.
        var weights = Weights(pairing.Old.Contents.RowsIn(around).ConvertAll(pairing.Old.Contents.Of), pairing.New.Contents.RowsIn(pairing.ToNew[around]).ConvertAll(pairing.New.Contents.Of));
        var holders = ofNew.SelectMany((numbers, j) => numbers.Select(n => (Number: n, Row: j))).ToLookup(h => h.Number, h => h.Row);
        var best = new Best[rowsOfOld.Count];
        var bestOfNew = Enumerable.Repeat(Best.None, rowsOfNew.Count).ToArray();
        for (var i = 0; i < ofOld.Count; i++)
        {
            best[i] = Best.None;
            var common = new Dictionary<int, double>();
            foreach (var number in ofOld[i].Where(n => weights[n] > 0))
            {
                foreach (var j in holders[number])
                {
                    common[j] = common.GetValueOrDefault(j) + weights[number];
                }
            }
            foreach (var (j, shared) in common)
            {
                var weight = shared + (ChildPairs.Key(pairing.Old, rowsOfOld[i]) == ChildPairs.Key(pairing.New, rowsOfNew[j]) ? SamePlace : 0);
                best[i] = best[i].With(j, weight);
                bestOfNew[j] = bestOfNew[j].With(i, weight);
            }
        }
        for (var i = 0; i < best.Length; i++)
        {
            if (best[i] is not { Other: >= 0 and var j } one || bestOfNew[j].Other != i || one.Weight - Math.Max(one.Next, bestOfNew[j].Next) < Ahead)
            {
                continue;
            }
            var share = one.Weight / Math.Max(ofOld[i].Sum(n => weights[n]), ofNew[j].Sum(n => weights[n]));
            var (a, b) = (rowsOfOld[i], rowsOfNew[j]);
            if (share < Enough || Levels(pairing.Old, a) != Levels(pairing.New, b) || pairing.Old.Name[a] > 0 && pairing.New.Name[b] > 0 && pairing.Old.Name[a] != pairing.New.Name[b])
            {
                continue;
            }
            pairing.Pair(a, b, share >= Clear ? PairGrade.Sure : PairGrade.Likely, PairReason.SameInside);
            changed.Add((a, b));
        }
        return changed;
    }

    /// <summary>True when both are rows of a list and share nothing that only one row of it holds.</summary>
    public static bool TellApart(Pairing pairing, int around, int there, int a, int b)
    {
        var (old, now) = (pairing.Old.Contents, pairing.New.Contents);
        if (Math.Min(old.RowsIn(around).Count, now.RowsIn(there).Count) < List)
        {
            return false;
        }
        var (onlyA, onlyB) = (old.OnlyIn(around, a), now.OnlyIn(there, b));
        return onlyA.Count > 0 && onlyB.Count > 0 && !onlyA.Overlaps(now.Of(b)) && !onlyB.Overlaps(old.Of(a));
    }

    private static List<int> RowsOf(Traits traits, List<int> layers, int[] pairs) => layers.FindAll(l => pairs[l] < 0 && traits.Contents.IsRow(l));

    // How many groups lie around all that is in it: a group more or less around a row is not the row.
    private static int Levels(Traits traits, int row) => traits.Layers[row].Children is [var only] && traits.IsContainer(only.Ordinal) ? 1 + Levels(traits, only.Ordinal) : 0;

    // The fewer of the rows hold something, the more it says; what all of them hold says nothing.
    private static Dictionary<int, double> Weights(List<HashSet<int>> ofOld, List<HashSet<int>> ofNew)
    {
        var rows = Math.Max(ofOld.Count, ofNew.Count) + 1;
        var counts = new Dictionary<int, int>();
        foreach (var draft in new[] { ofOld, ofNew })
        {
            foreach (var same in draft.SelectMany(n => n).CountBy(n => n))
            {
                counts[same.Key] = Math.Max(counts.GetValueOrDefault(same.Key), same.Value);
            }
        }
        return counts.ToDictionary(c => c.Key, c => c.Value >= rows - 1 && rows > 2 ? 0 : Math.Log((double)rows / c.Value));
    }

    // The best of several, and how much the next best weighs.
    private readonly record struct Best(int Other, double Weight, double Next)
    {
        public static Best None { get; } = new(-1, 0, 0);

        public Best With(int other, double weight) => weight > Weight ? new(other, weight, Weight) : this with { Next = Math.Max(Next, weight) };
    }
}
