using Kalypto.Core.Designs;
using Kalypto.Core.Shapes;

namespace Kalypto.Core.Comparing;

/// <summary>Whether two drawings of the same commands go the same way, whatever their size, place and paints.</summary>
internal static class SameGeometry
{
    // Of the size of a shape: numbers are written with few decimals.
    private const double Near = 0.02;

    /// <summary>True for the same geometry in all that lies in two elements.</summary>
    public static bool Of(Element a, Element b) => a.SelfAndDescendants().Zip(b.SelfAndDescendants()).All(p => p.First.Name == p.Second.Name && IsSame(Points(p.First), Points(p.Second)));

    private static bool IsSame(double[] a, double[] b) => a.Length == b.Length && IsSame(a, b, 0) && IsSame(a, b, 1);

    // One axis: x at even places, y at odd ones.
    private static bool IsSame(double[] a, double[] b, int axis)
    {
        var (one, two) = (Axis(a, axis), Axis(b, axis));
        return one.Zip(two).All(p => Math.Abs(p.First - p.Second) < Near);
    }

    // From 0 to 1 where it has any length.
    private static double[] Axis(double[] points, int axis)
    {
        double[] all = [.. points.Where((_, i) => i % 2 == axis)];
        var (least, most) = all.Length == 0 ? (0, 0) : (all.Min(), all.Max());
        return [.. all.Select(v => most - least < 1e-9 ? 0 : (v - least) / (most - least))];
    }

    private static double[] Points(Element element) => element.Name switch
    {
        // Of an arc where it ends.
        "path" => [.. PathData.Segments(element["d"] ?? "").SelectMany(s => s.Command == 'A' ? s.Values.TakeLast(2) : s.Values)],
        "polygon" or "polyline" => [.. Numbers.List(element["points"]) ?? []],
        _ => [],
    };
}
