using Kalypto.Core.Arranging;

namespace Kalypto.Core.Comparing;

/// <summary>What a draft is drawn at, told by the layers that it has in common with another one: a board saved at twice the size is the same board.</summary>
public static class DraftScale
{
    private const double Near = 0.02;
    private const double Most = 0.8;
    private const double Smallest = 4;
    private const int Several = 4;
    private const int MostTimes = 4;

    /// <summary>Drawing units in one pt of a draft.</summary>
    /// <param name="drawnAt">Those of the other draft.</param>
    /// <param name="from">The other draft.</param>
    /// <param name="to">The draft.</param>
    /// <returns>Another number than <paramref name="drawnAt"/> only when most layers became as many times larger or smaller, and the
    /// drawing with them, and the result is 1, 2, 3, 4 or what the file says.</returns>
    public static double Of(double drawnAt, DraftDrawing from, DraftDrawing to)
    {
        var ratios = FollowingFrames.Common(from, to).Where(p => Longer(p.Old) > Smallest).Select(p => Longer(p.New) / Longer(p.Old)).Order().ToList();
        if (ratios.Count == 0)
        {
            return drawnAt;
        }
        var times = ratios[ratios.Count / 2];
        var whole = Longer(to.Measured.Drawn.Box) / Longer(from.Measured.Drawn.Box);
        var isWhole = Math.Abs(whole / times - 1) < Near;
        if (Math.Abs(times - 1) < Near || ratios.Count(r => Math.Abs(r / times - 1) < Near) < Most * ratios.Count || !isWhole && ratios.Count < Several)
        {
            return drawnAt;
        }
        var wanted = drawnAt * times;
        double[] known = [.. Enumerable.Range(1, MostTimes), .. DrawnScale.SaidBy(to.Measured.Drawn) is { } said ? [said] : Array.Empty<double>()];
        return known.Where(k => Math.Abs(k / wanted - 1) < Near).DefaultIfEmpty(drawnAt).MinBy(k => Math.Abs(k - wanted));
    }

    private static double Longer(Designs.Box box) => Math.Max(box.Width, box.Height);
}
