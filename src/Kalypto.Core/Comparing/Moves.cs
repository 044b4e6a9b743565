using Kalypto.Core.Designs;

namespace Kalypto.Core.Comparing;

/// <summary>How far and how much larger things lie in the later draft, as those say that have their pairs.</summary>
internal sealed class Moves(Pairing pairing)
{
    private const int Most = 25;
    private const double Alike = 0.004;
    private readonly Dictionary<int, (double X, double Y)> inside = [];
    private (double X, double Y) all;

    /// <summary>How many times larger the later draft is drawn.</summary>
    public double Scale { get; private set; } = 1;

    /// <summary>Looks at all pairs again.</summary>
    public void Measure()
    {
        Scale = ScaleOf();
        inside.Clear();
        var whole = new List<(double X, double Y)>();
        for (var a = 0; a < pairing.Old.Count; a++)
        {
            if (pairing.ToNew[a] < 0 || !pairing.Old.IsContainer(a))
            {
                continue;
            }
            var moves = pairing.Old.Layers[a].Children.Select(c => MoveOf(c.Ordinal)).Where(m => m is not null).Select(m => m!.Value).Take(Most).ToList();
            if (moves.Count > 0)
            {
                inside[a] = Middle(moves);
                whole.AddRange(moves);
            }
        }
        all = whole.Count > 0 ? Middle(whole) : (0, 0);
    }

    /// <summary>Where an old layer may lie now: moved with its neighbours, or else with everything, or not at all.</summary>
    public IEnumerable<Box> Of(int a)
    {
        if (pairing.Old.Box[a] is not { } box)
        {
            yield break;
        }
        var larger = box.Scale(Scale);
        var near = all;
        for (var around = pairing.Old.Parent[a]; around >= 0; around = pairing.Old.Parent[around])
        {
            if (inside.TryGetValue(around, out var move))
            {
                near = move;
                break;
            }
        }
        yield return Moved(larger, near);
        if (near != all)
        {
            yield return Moved(larger, all);
        }
        if (near != (0, 0) && all != (0, 0))
        {
            yield return larger;
        }
    }

    private static Box Moved(Box box, (double X, double Y) by) => box with { X = box.X + by.X, Y = box.Y + by.Y };

    private (double X, double Y)? MoveOf(int a) => pairing.ToNew[a] is >= 0 and var b && pairing.Old.Box[a] is { } from && pairing.New.Box[b] is { } to
        ? (to.X - Scale * from.X, to.Y - Scale * from.Y) : null;

    // Pairs say it; before there are enough of them, layers of which only one looks so.
    private double ScaleOf()
    {
        var ratios = pairing.ToNew.Index().Where(p => p.Item > 0).Select(p => Ratio(p.Index, p.Item)).OfType<double>().ToList();
        if (ratios.Count < 8)
        {
            ratios.AddRange(Only(pairing.Old.Outline, pairing.New.Outline).Concat(Only(pairing.Old.Name, pairing.New.Name)).Select(p => Ratio(p.A, p.B)).OfType<double>());
        }
        if (ratios.Count == 0)
        {
            return 1;
        }
        ratios.Sort();
        var middle = ratios[ratios.Count / 2];
        return Math.Abs(middle - 1) < Alike ? 1 : middle;
    }

    private double? Ratio(int a, int b) => pairing.Old.Box[a] is { } from && pairing.New.Box[b] is { } to && Math.Max(from.Width, from.Height) > 4
        ? Math.Max(to.Width, to.Height) / Math.Max(from.Width, from.Height) : null;

    private static IEnumerable<(int A, int B)> Only(int[] old, int[] now)
    {
        static Dictionary<int, int> Single(int[] numbers) => numbers.Index().Where(n => n.Item > 0).GroupBy(n => n.Item).Where(g => g.Count() == 1).ToDictionary(g => g.Key, g => g.First().Index);
        var (a, b) = (Single(old), Single(now));
        return a.Where(n => b.ContainsKey(n.Key)).Select(n => (n.Value, b[n.Key]));
    }

    private static (double X, double Y) Middle(List<(double X, double Y)> moves)
    {
        double Of(Func<(double X, double Y), double> side)
        {
            var sorted = moves.Select(side).Order().ToList();
            // Of two, the one that moved less.
            var (low, high) = (sorted[(sorted.Count - 1) / 2], sorted[sorted.Count / 2]);
            return Math.Abs(low) <= Math.Abs(high) ? low : high;
        }
        return (Of(m => m.X), Of(m => m.Y));
    }
}
