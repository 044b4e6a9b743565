using Kalypto.Core.Designs;
using Kalypto.Core.Shapes;

namespace Kalypto.Core.Suggesting;

/// <summary>Charts: their numbers change, so that developers build them in code, however much they look like a picture.</summary>
internal static class Charts
{
    // pt. Four bars of that size are the sign for a signal.
    private const double LargestIcon = 64;
    private const int MostLeaves = 200;
    private const double Nearly = 0.06;

    // Of what is in the group; a card or screen with a chart and an icon on it is none.
    private const double Most = 0.8;

    /// <summary>True for a group that is a chart: bars on one line, a curve over rules, or pieces of one ring.</summary>
    /// <param name="group">A group without pictures.</param>
    /// <param name="boxOf">Where layers lie, in pt.</param>
    public static bool IsOne(Layer group, Func<Layer, Box?> boxOf)
    {
        if (group.Content != LayerContent.Group || boxOf(group) is not { } whole || Math.Max(whole.Width, whole.Height) <= LargestIcon)
        {
            return false;
        }
        var leaves = group.SelfAndDescendants().Where(l => l.Content == LayerContent.Shape).Take(MostLeaves + 1).Select(l => (Layer: l, Box: boxOf(l))).Where(l => l.Box is not null)
            .Select(l => (l.Layer, Box: l.Box!.Value)).ToList();
        // The ground that it stands on says nothing.
        leaves.RemoveAll(l => l.Box.Width >= (1 - Nearly) * whole.Width && l.Box.Height >= (1 - Nearly) * whole.Height);
        return leaves.Count is >= 2 and <= MostLeaves && (IsRing(leaves) || IsCurve(leaves, whole) || IsBars(leaves));
    }

    // Pieces with arcs of one size around one middle.
    private static bool IsRing(List<(Layer Layer, Box Box)> leaves)
    {
        var around = leaves.Select(l => l.Box).Aggregate((a, b) => a.Union(b));
        if (leaves.Count > 16 || Math.Abs(around.Width - around.Height) > 0.15 * around.Width)
        {
            return false;
        }
        if (leaves.TrueForAll(l => l.Layer.Element.Style("stroke-dasharray") is not (null or "none") || l.Layer.Element.Name == "circle")
            && leaves.Exists(l => l.Layer.Element.Style("stroke-dasharray") is not (null or "none")))
        {
            return leaves.TrueForAll(l => Math.Abs(l.Box.X + l.Box.Width / 2 - around.X - around.Width / 2) < 0.1 * around.Width);
        }
        var radii = leaves.Select(l => PathData.Segments(l.Layer.Element["d"] ?? "").Where(s => s.Command == 'A').Select(s => s.Values[0]).DefaultIfEmpty().Max()).ToList();
        var outer = radii.Max();
        return outer > 0 && radii.TrueForAll(r => Math.Abs(r - outer) < Nearly * outer) && leaves.DistinctBy(l => l.Layer.Element.Style("fill")).Count() > 1;
    }

    // Rules from side to side at equal distances, and something drawn along them.
    private static bool IsCurve(List<(Layer Layer, Box Box)> leaves, Box whole)
    {
        var rules = leaves.Where(l => l.Box.Height <= 2 && l.Box.Width >= 0.6 * whole.Width).Select(l => l.Box.Y).Order().ToList();
        var steps = rules.Skip(1).Zip(rules, (below, above) => below - above).ToList();
        return rules.Count >= 3 && rules.Count + 3 >= leaves.Count * Most && steps.TrueForAll(s => Math.Abs(s - steps[0]) <= Math.Max(1.5, 0.1 * steps[0]))
            && leaves.Exists(l => l.Layer.Element.Name is "path" or "polyline" && l.Box.Height > 2 && l.Box.Width >= 0.5 * whole.Width);
    }

    // Equally thick, from one line, of several lengths.
    private static bool IsBars(List<(Layer Layer, Box Box)> leaves)
    {
        var bars = leaves.Where(l => l.Layer.Element.Name == "rect" || PlainPath.Is(l.Layer.Element["d"] ?? "")).Select(l => l.Box).ToList();
        return bars.GroupBy(b => Math.Round(b.Bottom)).Any(g => Are(g.Select(b => (b.Width, b.Height)))) || bars.GroupBy(b => Math.Round(b.X)).Any(g => Are(g.Select(b => (b.Height, b.Width))));

        bool Are(IEnumerable<(double Thick, double Long)> bars) => bars.GroupBy(b => Math.Round(b.Thick)).Any(g => g.Count() >= Math.Max(4, leaves.Count * Most) && g.DistinctBy(b => Math.Round(b.Long)).Count() >= 3 && g.Max(b => b.Long) > 2 * g.Key);
    }
}
