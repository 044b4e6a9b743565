using Kalypto.Core.Designs;

namespace Kalypto.Core.Suggesting;

/// <summary>Boxes of about one size that stand beside or above one another, found without comparing each with each.</summary>
internal sealed class Rows
{
    private const double SameSize = 6;
    private const double SameLine = 4;
    private readonly Dictionary<int, List<Box>> across = [];
    private readonly Dictionary<int, List<Box>> down = [];

    public Rows(IEnumerable<Box> boxes)
    {
        foreach (var box in boxes)
        {
            Add(across, Line(box.Y + box.Height / 2), box);
            Add(down, Line(box.X + box.Width / 2), box);
        }
    }

    /// <summary>How many others stand in a row or column with a box; pt.</summary>
    public int Beside(Box box) => Count(across, box.Y + box.Height / 2, box, b => b.Y + b.Height / 2) is var row and > 0 ? row : Count(down, box.X + box.Width / 2, box, b => b.X + b.Width / 2);

    private static int Count(Dictionary<int, List<Box>> lines, double centre, Box box, Func<Box, double> centreOf)
    {
        var count = 0;
        var side = Math.Max(box.Width, box.Height);
        for (var line = Line(centre) - 1; line <= Line(centre) + 1; line++)
        {
            foreach (var other in lines.TryGetValue(line, out var boxes) ? boxes : [])
            {
                count += other != box && Math.Abs(centreOf(other) - centre) <= SameLine && Math.Abs(Math.Max(other.Width, other.Height) - side) <= SameSize ? 1 : 0;
            }
        }
        return count;
    }

    private static int Line(double centre) => (int)Math.Floor(centre / SameLine);

    private static void Add(Dictionary<int, List<Box>> lines, int line, Box box)
    {
        if (!lines.TryGetValue(line, out var boxes))
        {
            lines[line] = boxes = [];
        }
        boxes.Add(box);
    }
}
