using System.Text;
using Kalypto.Core.Designs;
using Kalypto.Core.Shapes;

namespace Kalypto.Core.Exporting;

/// <summary>Writes path data as short as it gets: of every segment the shorter of both ways to say it.</summary>
/// <param name="decimals">Decimals that coordinates are rounded to.</param>
/// <param name="compact">False for readers that want every number apart and flags as numbers.</param>
internal sealed class PathWriter(int decimals, bool compact)
{
    private const double NearlyWhole = 0.05;
    private const double NearlyHalf = 0.9994;
    private const double Thin = 200;
    private readonly StringBuilder text = new();
    private readonly double half = Math.Pow(10, -decimals) / 2;
    private char last;
    private bool lastHasDot;
    private double x;
    private double y;
    private double startX;
    private double startY;
    // Where the last control point is mirrored to, as it is written and as it is meant: a curve may be written as a line.
    private (char Kind, double X, double Y) mirror = ('L', 0, 0);
    private (char Kind, double X, double Y) meant = ('L', 0, 0);

    // Where the pen is meant to be, and where the part began.
    private (double X, double Y) at;
    private (double X, double Y) start;

    public static string Write(IEnumerable<PathSegment> segments, int decimals, bool compact = true)
    {
        var writer = new PathWriter(decimals, compact);
        var list = segments as IReadOnlyList<PathSegment> ?? [.. segments];
        for (var i = 0; i < list.Count; i++)
        {
            writer.Add(list[i], i + 1 < list.Count ? list[i + 1].Command : ' ');
        }
        return writer.text.ToString();
    }

    private void Add(PathSegment segment, char next)
    {
        var v = segment.Values;
        var (before, from) = (meant, at);
        meant = ('L', 0, 0);
        at = segment.Command == 'Z' ? start : (v[^2], v[^1]);
        start = segment.Command == 'M' ? at : start;
        switch (segment.Command)
        {
            case 'M':
                // A move that is followed by another one draws nothing.
                if (next is 'M' or ' ')
                {
                    return;
                }
                Put('M', [v[0], v[1]], [v[0] - x, v[1] - y]);
                (startX, startY) = (x, y);
                break;
            case 'L':
                Line(v[0], v[1], next);
                break;
            case 'C':
                Curve(v[0], v[1], v[2], v[3], v[4], v[5], next);
                meant = ('C', 2 * v[4] - v[2], 2 * v[5] - v[3]);
                break;
            case 'S':
                var (mx, my) = before.Kind == 'C' ? (before.X, before.Y) : (x, y);
                Curve(mx, my, v[0], v[1], v[2], v[3], next);
                meant = ('C', 2 * v[2] - v[0], 2 * v[3] - v[1]);
                break;
            case 'Q':
                Bow(v[0], v[1], v[2], v[3]);
                meant = ('Q', 2 * v[2] - v[0], 2 * v[3] - v[1]);
                break;
            case 'T':
                var (tx, ty) = before.Kind == 'Q' ? (before.X, before.Y) : (x, y);
                Bow(tx, ty, v[0], v[1]);
                meant = ('Q', 2 * v[0] - tx, 2 * v[1] - ty);
                break;
            case 'A':
                if (Zero(v[0]) || Zero(v[1]))
                {
                    Line(v[5], v[6], next);
                    break;
                }
                Arc(segment, from);
                break;
            case 'Z':
                Close();
                break;
        }
    }

    /// <summary>
    /// Where an ellipse lies hangs on the last decimals of the ends of an arc when that is nearly half or nearly all of it;
    /// those are rounded away.
    /// </summary>
    private void Arc(PathSegment arc, (double X, double Y) from)
    {
        var v = arc.Values;
        var (rx, ry, toX, toY) = (Math.Abs(v[0]), Math.Abs(v[1]), v[5], v[6]);
        var (dx, dy) = (toX - from.X, toY - from.Y);
        var tight = Tightness(rx, ry, v[2], dx, dy);
        var isThin = Math.Min(rx, ry) < Thin * half;
        if (!isThin && Math.Max(rx, ry) * Math.Sqrt(Math.Max(0, 1 - tight)) <= 4 * half)
        {
            // Half of one: radii a little too small are made to fit by whoever draws, and it lies in the middle of its ends.
            (rx, ry) = (Math.Round(rx, decimals), Math.Round(ry, decimals));
            // The ends may be written from the origin or from the pen, which round differently.
            var fit = Math.Sqrt(Math.Min(
                Tightness(rx, ry, v[2], Math.Round(toX, decimals) - x, Math.Round(toY, decimals) - y), Tightness(rx, ry, v[2], Math.Round(toX - x, decimals), Math.Round(toY - y, decimals))));
            (rx, ry) = fit < 1 ? (Below(rx * fit), Below(ry * fit)) : (rx, ry);
        }
        else if (isThin || tight is > NearlyHalf and < 1 || v[3] != 0 && Math.Sqrt(dx * dx + dy * dy) < NearlyWhole * Math.Max(rx, ry))
        {
            foreach (var (command, c) in PathCurves.Of([new('M', [from.X, from.Y]), arc]).Skip(1))
            {
                if (command == 'C')
                {
                    Curve(c[0], c[1], c[2], c[3], c[4], c[5], ' ');
                }
            }
            return;
        }
        Put('A', [rx, ry, v[2], v[3], v[4], toX, toY], [rx, ry, v[2], v[3], v[4], toX - x, toY - y]);
    }

    /// <summary>How much of the ellipse its ends span: 1 for half of it, more where the radii are too small (SVG 1.1, F.6.6).</summary>
    private static double Tightness(double rx, double ry, double turn, double dx, double dy)
    {
        var (sin, cos) = Math.SinCos(turn * Math.PI / 180);
        var (px, py) = ((cos * dx + sin * dy) / 2 / rx, (-sin * dx + cos * dy) / 2 / ry);
        return px * px + py * py;
    }

    private double Below(double radius) => Math.Max(2 * half, Math.Floor(radius / (2 * half)) * 2 * half);

    private void Close()
    {
        if (last is 'z' or '\0')
        {
            return;
        }
        text.Append('z');
        (last, lastHasDot) = ('z', false);
        (x, y) = (startX, startY);
        mirror = ('L', x, y);
    }

    private void Line(double toX, double toY, char next)
    {
        if (Zero(toX - x) && Zero(toY - y))
        {
            // A dot with round caps is seen; any other step of nothing is not.
            if (last is 'M' or 'm' && next is not ('L' or 'C' or 'Q' or 'A' or 'S' or 'T'))
            {
                Put('H', [toX], [toX - x]);
            }
            return;
        }
        // The way back to the start is what closing draws.
        if (next == 'Z' && Zero(toX - startX) && Zero(toY - startY))
        {
            return;
        }
        if (Zero(toY - y))
        {
            Put('H', [toX], [toX - x]);
        }
        else if (Zero(toX - x))
        {
            Put('V', [toY], [toY - y]);
        }
        else
        {
            Put('L', [toX, toY], [toX - x, toY - y]);
        }
    }

    private void Curve(double ax, double ay, double bx, double by, double toX, double toY, char next)
    {
        if (IsStraight(ax, ay, bx, by, toX, toY))
        {
            Line(toX, toY, next);
            return;
        }
        if (mirror.Kind == 'C' ? Zero(ax - mirror.X) && Zero(ay - mirror.Y) : Zero(ax - x) && Zero(ay - y))
        {
            Put('S', [bx, by, toX, toY], [bx - x, by - y, toX - x, toY - y]);
        }
        else
        {
            Put('C', [ax, ay, bx, by, toX, toY], [ax - x, ay - y, bx - x, by - y, toX - x, toY - y]);
        }
        mirror = ('C', 2 * x - bx, 2 * y - by);
    }

    private void Bow(double ax, double ay, double toX, double toY)
    {
        if (mirror.Kind == 'Q' && Zero(ax - mirror.X) && Zero(ay - mirror.Y))
        {
            Put('T', [toX, toY], [toX - x, toY - y]);
        }
        else
        {
            Put('Q', [ax, ay, toX, toY], [ax - x, ay - y, toX - x, toY - y]);
        }
        mirror = ('Q', 2 * x - ax, 2 * y - ay);
    }

    /// <summary>True when both control points lie on the line between the ends, so that it is drawn as one.</summary>
    private bool IsStraight(double ax, double ay, double bx, double by, double toX, double toY)
    {
        var (dx, dy) = (toX - x, toY - y);
        var length = Math.Sqrt(dx * dx + dy * dy);
        if (length <= half)
        {
            return Zero(ax - x) && Zero(ay - y) && Zero(bx - x) && Zero(by - y);
        }
        bool On(double px, double py) => Math.Abs((px - x) * dy - (py - y) * dx) / length <= half
            && ((px - x) * dx + (py - y) * dy) / length is var along && along >= -half && along <= length + half;
        return On(ax, ay) && On(bx, by);
    }

    private bool Zero(double value) => Math.Abs(value) <= half;

    private void Put(char command, double[] absolute, double[] relative)
    {
        var (a, r) = (Say(command, absolute), Say(char.ToLowerInvariant(command), relative));
        var take = a.Text.Length < r.Text.Length || last == '\0' ? a : r;
        text.Append(take.Text);
        (last, lastHasDot) = (take.Command switch { 'M' => 'L', 'm' => 'l', var c => c }, take.EndsWithDot);
        if (command == 'M')
        {
            last = take.Command;
        }
        // The pen is where the written numbers put it, so that roundings do not add up.
        var end = take.Rounded;
        var isRelative = char.IsLower(take.Command);
        switch (command)
        {
            case 'H': x = end[0] + (isRelative ? x : 0); break;
            case 'V': y = end[0] + (isRelative ? y : 0); break;
            default: (x, y) = (end[^2] + (isRelative ? x : 0), end[^1] + (isRelative ? y : 0)); break;
        }
        mirror = ('L', x, y);
    }

    private (string Text, char Command, bool EndsWithDot, double[] Rounded) Say(char command, double[] values)
    {
        var said = new StringBuilder();
        // After a move lines follow without their letter.
        var same = compact && (last == command || last == 'M' && command == 'L' || last == 'm' && command == 'l') && command is not ('M' or 'm');
        if (!same)
        {
            said.Append(command);
        }
        var rounded = new double[values.Length];
        var dot = same && lastHasDot;
        for (var i = 0; i < values.Length; i++)
        {
            var isArc = char.ToUpperInvariant(command) == 'A';
            rounded[i] = Math.Round(values[i], decimals) + 0.0;
            var number = Numbers.Brief(values[i], isArc && i == 2 ? Math.Min(decimals, 3) : decimals);
            var first = i == 0 && !same;
            var afterFlag = i is 4 or 5;
            if (!first && (!compact || !(isArc && afterFlag || number[0] == '-' || number[0] == '.' && dot)))
            {
                said.Append(compact ? ' ' : ',');
            }
            said.Append(number);
            dot = number.Contains('.', StringComparison.Ordinal);
        }
        return (said.ToString(), command, dot, rounded);
    }
}
