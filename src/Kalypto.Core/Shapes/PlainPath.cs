namespace Kalypto.Core.Shapes;

/// <summary>Paths that say no more than a box or a rule would: some programs write everything as paths.</summary>
public static class PlainPath
{
    // Drawing units. What is shorter may be a stroke of an icon.
    private const double LongLine = 48;
    private const double Slack = 1e-3;

    /// <summary>True for an upright rectangle, and for one long level or upright line.</summary>
    /// <param name="data">The path, as in the attribute <c>d</c>.</param>
    public static bool Is(string data)
    {
        // What is longer than a box can be is not looked at.
        if (data.Length > 200)
        {
            return false;
        }
        var segments = PathData.Segments(data);
        var isClosed = segments.Count > 0 && segments[^1].Command == 'Z';
        var points = segments.Where(s => s.Command != 'Z').Select(s => (X: s.Values[^2], Y: s.Values[^1])).ToList();
        if (segments.Count == 0 || segments.Skip(1).Any(s => s.Command is not ('L' or 'Z')) || segments.Take(segments.Count - 1).Any(s => s.Command == 'Z'))
        {
            return false;
        }
        if (points is [var from, var to] && !isClosed)
        {
            return IsLevel(from, to) && Math.Abs(to.X - from.X) + Math.Abs(to.Y - from.Y) >= LongLine;
        }
        if (points.Count == 5 && IsSame(points[4], points[0]))
        {
            points.RemoveAt(4);
        }
        return points.Count == 4 && Enumerable.Range(0, 4).All(i => IsLevel(points[i], points[(i + 1) % 4]) && !IsSame(points[i], points[(i + 2) % 4]));
    }

    private static bool IsLevel((double X, double Y) a, (double X, double Y) b) => Math.Abs(a.X - b.X) < Slack != Math.Abs(a.Y - b.Y) < Slack;

    private static bool IsSame((double X, double Y) a, (double X, double Y) b) => Math.Abs(a.X - b.X) < Slack && Math.Abs(a.Y - b.Y) < Slack;
}
