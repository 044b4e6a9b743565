using Kalypto.Core.Designs;

namespace Kalypto.Core.Handover;

/// <summary>Puts numbers into the margins beside a picture, with straight lines to what they mean that never cross.</summary>
public static class PinLayout
{
    private const double Before = 4;

    /// <summary>A number in a margin.</summary>
    /// <param name="Number">The number.</param>
    /// <param name="X">The middle of the number.</param>
    /// <param name="Y">The middle of the number.</param>
    /// <param name="ToX">Where its line ends.</param>
    /// <param name="ToY">Where its line ends.</param>
    public readonly record struct Placed(int Number, double X, double Y, double ToX, double ToY);

    /// <summary>Lays pins out.</summary>
    /// <param name="pins">Numbers and what they mean, in the units of the picture, the most important first.</param>
    /// <param name="width">The width of the picture.</param>
    /// <param name="height">The height of the picture.</param>
    /// <param name="margin">From the edge of the picture to the middle of a number.</param>
    /// <param name="gap">From one number to the next at the least.</param>
    /// <returns>Those that there is room for, by number.</returns>
    public static IReadOnlyList<Placed> Of(IReadOnlyList<(int Number, Box Box)> pins, double width, double height, double margin, double gap)
    {
        var room = Math.Max(1, (int)Math.Floor(height / gap) + 1);
        var ends = pins.Take(2 * room).Select(p => (p.Number, p.Box, X: Middle(p.Box.X, p.Box.Width, width), Y: Middle(p.Box.Y, p.Box.Height, height))).OrderBy(p => p.X).ThenBy(p => p.Y).ThenBy(p => p.Number).ToList();
        // What lies left goes left, as long as there is room; a line down parts both, so that no line meets one of the other side.
        var left = Math.Clamp(ends.Count(p => p.X < width / 2), ends.Count - Math.Min(ends.Count, room), Math.Min(ends.Count, room));
        return [.. Side(ends.Take(left), -margin).Concat(Side(ends.Skip(left), width + margin)).OrderBy(p => p.Number)];

        IEnumerable<Placed> Side(IEnumerable<(int Number, Box Box, double X, double Y)> some, double x)
        {
            var list = some.OrderBy(p => p.Y).ThenBy(p => p.X).ThenBy(p => p.Number).ToList();
            var slots = Spread([.. list.Select(p => p.Y)], height, gap);
            var placed = list.Select((p, i) => new Placed(p.Number, x, slots[i], Edge(p.Box, x < 0), p.Y)).ToList();
            Untangle(placed);
            return placed;
        }

        // A line ends just before the nearer edge, so that nothing lies on what it means.
        double Edge(Box box, bool isLeft)
        {
            var (from, to) = (Math.Clamp(box.X, 0, width), Math.Clamp(box.Right, 0, width));
            return isLeft ? Math.Max(0, from - Before) : Math.Min(width, to + Before);
        }
    }

    // The middle of what is seen of it.
    private static double Middle(double from, double length, double whole) => (Math.Clamp(from, 0, whole) + Math.Clamp(from + length, 0, whole)) / 2;

    /// <summary>Places as near as can be to those wanted (in ascending order), each at least a gap from the next: neighbours that want the same share it evenly.</summary>
    internal static double[] Spread(IReadOnlyList<double> wanted, double height, double gap)
    {
        // Without the gaps the places only have to ascend: blocks that do not are put together at their average (pool adjacent violators).
        var blocks = new List<(double Sum, int Count)>();
        for (var i = 0; i < wanted.Count; i++)
        {
            blocks.Add((wanted[i] - i * gap, 1));
            while (blocks.Count > 1 && blocks[^2].Sum / blocks[^2].Count > blocks[^1].Sum / blocks[^1].Count)
            {
                var last = blocks[^1];
                blocks.RemoveAt(blocks.Count - 1);
                blocks[^1] = (blocks[^1].Sum + last.Sum, blocks[^1].Count + last.Count);
            }
        }
        var most = height - (wanted.Count - 1) * gap;
        return [.. blocks.SelectMany(b => Enumerable.Repeat(Math.Clamp(b.Sum / b.Count, 0, Math.Max(0, most)), b.Count)).Select((y, i) => y + i * gap)];
    }

    /// <summary>Two lines that cross change their places: both together get shorter by that, so it ends.</summary>
    private static void Untangle(List<Placed> placed)
    {
        for (var changed = true; changed;)
        {
            changed = false;
            for (var i = 0; i < placed.Count; i++)
            {
                for (var j = i + 1; j < placed.Count; j++)
                {
                    if (Cross(placed[i], placed[j]))
                    {
                        (placed[i], placed[j]) = (placed[i] with { X = placed[j].X, Y = placed[j].Y }, placed[j] with { X = placed[i].X, Y = placed[i].Y });
                        changed = true;
                    }
                }
            }
        }
    }

    /// <summary>True for lines that cross between their ends.</summary>
    public static bool Cross(Placed a, Placed b)
    {
        static double Turn(double ax, double ay, double bx, double by, double cx, double cy) => (bx - ax) * (cy - ay) - (by - ay) * (cx - ax);
        var (p, q) = (Turn(a.X, a.Y, a.ToX, a.ToY, b.X, b.Y), Turn(a.X, a.Y, a.ToX, a.ToY, b.ToX, b.ToY));
        var (r, s) = (Turn(b.X, b.Y, b.ToX, b.ToY, a.X, a.Y), Turn(b.X, b.Y, b.ToX, b.ToY, a.ToX, a.ToY));
        const double None = 1e-9;
        return p * q < -None && r * s < -None;
    }
}
