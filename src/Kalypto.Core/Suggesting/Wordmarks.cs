using Kalypto.Core.Designs;

namespace Kalypto.Core.Suggesting;

/// <summary>Logos that are drawn as shapes: letters in a line, one shape each, beside or under a mark that is larger.</summary>
internal static class Wordmarks
{
    // pt.
    private const double Widest = 480;
    private const double Highest = 120;
    private const int MostShapes = 60;

    /// <summary>True for a group that is one.</summary>
    /// <param name="group">A group of shapes alone.</param>
    /// <param name="boxOf">Where layers lie, in pt.</param>
    public static bool IsOne(Layer group, Func<Layer, Box?> boxOf)
    {
        if (group.Content != LayerContent.Group || boxOf(group) is not { } whole || whole.Width > Widest || whole.Height > Highest || whole.Width < 1.5 * whole.Height)
        {
            return false;
        }
        var leaves = group.SelfAndDescendants().Where(l => l.Children.Count == 0).Take(MostShapes + 1).ToList();
        if (leaves.Count is < 5 or > MostShapes || leaves.Exists(l => l.Element["d"] is null || l.Element.Style("fill") == "none"))
        {
            return false;
        }
        var boxes = leaves.Select(boxOf).OfType<Box>().OrderBy(b => b.X).ToList();
        var letters = boxes.GroupBy(b => Math.Round(b.Bottom)).OrderByDescending(g => g.Count()).First().ToList();
        var height = letters.Max(b => b.Height);
        return letters.Count >= 4 && letters.Count >= 0.6 * boxes.Count && letters.Count < boxes.Count
            && letters.Skip(1).Zip(letters, (right, left) => right.X - left.Right).All(gap => gap > -0.3 * height && gap < 0.8 * height)
            && letters.TrueForAll(b => b.Width < 1.6 * height) && boxes.Except(letters).Any(b => b.Height >= 1.4 * height || b.Width >= 1.8 * letters.Average(l => l.Width));
    }
}
