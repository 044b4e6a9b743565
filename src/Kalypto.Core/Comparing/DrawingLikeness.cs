using Kalypto.Core.Deciding;
using Kalypto.Core.Designs;

namespace Kalypto.Core.Comparing;

/// <summary>How much of one drawing is in another, without pairing their layers.</summary>
public static class DrawingLikeness
{
    /// <summary>The share of the layers that are drawn alike, of the smaller drawing: from 0 to 1.</summary>
    public static double Of(MeasuredDrawing a, MeasuredDrawing b)
    {
        var (one, two) = (Prints(a.Drawn), Prints(b.Drawn));
        return one.Count == 0 || two.Count == 0 ? 0 : (double)one.Sum(p => Math.Min(p.Value, two.GetValueOrDefault(p.Key))) / Math.Min(one.Values.Sum(), two.Values.Sum());
    }

    private static Dictionary<Fingerprint, int> Prints(DrawingTree drawing) =>
        drawing.Layers.Skip(1).Where(l => l.ViewBox is null).GroupBy(l => RepeatKey.PrintOf(drawing, l.Element)).ToDictionary(g => g.Key, g => g.Count());
}
