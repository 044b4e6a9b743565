namespace Kalypto.Core.Comparing;

/// <summary>Pairs the rest by evidence, the clearest first; each pair says something about those around it.</summary>
internal static class BestPairs
{
    // How far the best must be before the second, round after round.
    private static readonly double[] Margins = [6, 4, 3, 2, 1.2];
    private const double Enough = 4;
    private const double ToAsk = 2;
    private const double SureMargin = 3;
    private const double SureWeight = 6;
    private const int Rounds = 12;

    /// <summary>Pairs what is clear, and returns what is to be asked.</summary>
    public static List<LayerPair> Pair(Pairing pairing)
    {
        foreach (var margin in Margins)
        {
            for (var round = 0; round < Rounds && PairOnce(pairing, margin); round++)
            {
            }
        }
        return Asked(pairing);
    }

    private static bool PairOnce(Pairing pairing, double margin)
    {
        var best = Best(pairing);
        var any = false;
        foreach (var (a, b, weight, ahead) in best.Where(p => p.Weight >= Enough && p.Ahead >= margin).OrderByDescending(p => Math.Min(p.Ahead, 12)).ThenByDescending(p => p.Weight))
        {
            if (pairing.ToNew[a] >= 0 || pairing.ToOld[b] >= 0 || Contradiction.Is(pairing, a, b))
            {
                continue;
            }
            any = true;
            var grade = ahead >= SureMargin && weight >= SureWeight ? PairGrade.Sure : PairGrade.Likely;
            var reason = Evidence.ReasonOf(pairing, a, b);
            pairing.Pair(a, b, grade, reason);
            if (pairing.Old.Print[a] == pairing.New.Print[b])
            {
                pairing.PairInside(a, b, grade, reason);
            }
        }
        return any;
    }

    // Of things within each other the outermost.
    private static List<LayerPair> Asked(Pairing pairing)
    {
        var asked = new List<LayerPair>();
        foreach (var (a, b, _, _) in Best(pairing).Where(p => p.Weight >= ToAsk && !IsWithinOthers(pairing, p.A, p.B)))
        {
            if (!asked.Exists(p => pairing.Old.Holds(p.Old, a) && pairing.New.Holds(p.New, b)))
            {
                asked.Add(new(a, b, PairGrade.Unsure, Evidence.ReasonOf(pairing, a, b)));
            }
        }
        return asked;
    }

    // A part without a name of something that is gone and of something that is new: nobody would ask.
    private static bool IsWithinOthers(Pairing pairing, int a, int b) => pairing.Old.Name[a] == 0 && pairing.New.Name[b] == 0
        && pairing.Old.Parent[a] is > 0 and var gone && pairing.ToNew[gone] < 0 && pairing.New.Parent[b] is > 0 and var made && pairing.ToOld[made] < 0;

    /// <summary>Those that are each other's best, with how far they are ahead of the next best of either.</summary>
    private static List<(int A, int B, double Weight, double Ahead)> Best(Pairing pairing)
    {
        pairing.Ids.Measure();
        pairing.Moves.Measure();
        var candidates = new Candidates(pairing);
        var ofOld = new (int Other, double Weight, double Second)[pairing.Old.Count];
        var ofNew = new (int Other, double Weight, double Second)[pairing.New.Count];
        Array.Fill(ofOld, (-1, double.NegativeInfinity, double.NegativeInfinity));
        Array.Fill(ofNew, (-1, double.NegativeInfinity, double.NegativeInfinity));
        var left = Enumerable.Range(0, pairing.Old.Count).Where(a => pairing.ToNew[a] < 0).ToArray();
        // Nothing is written meanwhile, so that all processors can weigh.
        var weighed = left.AsParallel().AsOrdered().Select(a => (a, Weights: candidates.Of(a).Select(b => (b, Weight: Evidence.Weigh(pairing, a, b))).ToArray())).ToArray();
        foreach (var (a, weights) in weighed)
        {
            foreach (var (b, weight) in weights)
            {
                Note(ref ofOld[a], b, weight);
                Note(ref ofNew[b], a, weight);
            }
        }
        var best = new List<(int, int, double, double)>();
        for (var a = 0; a < ofOld.Length; a++)
        {
            if (ofOld[a] is { Other: >= 0 } one && ofNew[one.Other].Other == a)
            {
                best.Add((a, one.Other, one.Weight, one.Weight - Math.Max(0, Math.Max(one.Second, ofNew[one.Other].Second))));
            }
        }
        return best;
    }

    private static void Note(ref (int Other, double Weight, double Second) best, int other, double weight)
    {
        if (weight > best.Weight)
        {
            best = (other, weight, best.Weight);
        }
        else if (weight > best.Second)
        {
            best.Second = weight;
        }
    }
}
