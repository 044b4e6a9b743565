using System.Globalization;
using System.Text;
using Kalypto.Core.Designs;

namespace Kalypto.Core.Shapes;

/// <summary>Reads the data of a path (SVG 1.1, 8.3).</summary>
public static class PathData
{
    /// <summary>The first point of a path; null when it has none.</summary>
    public static (double X, double Y)? Start(string data)
    {
        var at = 0;
        return Letter(data, ref at) is 'M' or 'm' && Number(data, ref at) is { } x && Number(data, ref at) is { } y ? (x, y) : null;
    }

    /// <summary>The path as if it began at 0, 0, in one form: equal for equal outlines wherever they lie.</summary>
    /// <param name="data">The value of the attribute d.</param>
    /// <param name="decimals">Decimals that numbers are rounded to.</param>
    public static string FromOwnStart(string data, int decimals)
    {
        if (Start(data) is not var (left, top))
        {
            return data;
        }
        var text = new StringBuilder(data.Length);
        var (at, command, first) = (0, ' ', true);
        while (true)
        {
            if (Letter(data, ref at) is { } letter)
            {
                command = letter;
            }
            var count = Arguments(command);
            if (at >= data.Length && count > 0)
            {
                break;
            }
            text.Append(command);
            // A first move counts from 0, 0 even when it is relative.
            var absolute = char.IsUpper(command) || first;
            for (var i = 0; i < count; i++)
            {
                var flag = char.ToUpperInvariant(command) == 'A' && (i is 3 or 4);
                if ((flag ? Flag(data, ref at) : Number(data, ref at)) is not { } number)
                {
                    // What follows is in error and not drawn either.
                    return text.ToString();
                }
                var shift = !absolute ? 0 : char.ToUpperInvariant(command) switch
                {
                    'H' => left,
                    'V' => top,
                    'A' => i switch { 5 => left, 6 => top, _ => 0 },
                    _ => i % 2 == 0 ? left : top,
                };
                text.Append(' ').Append(Numbers.Text(number - shift, decimals));
            }
            first = false;
            command = command switch { 'M' => 'L', 'm' => 'l', _ => command };
            if (count == 0)
            {
                Skip(data, ref at);
                if (at >= data.Length || !char.IsLetter(data[at]))
                {
                    break;
                }
            }
        }
        return text.ToString();
    }

    /// <summary>The segments of a path in absolute coordinates, as far as they are without error.</summary>
    public static List<PathSegment> Segments(string data)
    {
        var segments = new List<PathSegment>();
        var (at, command) = (0, ' ');
        double x = 0, y = 0, startX = 0, startY = 0;
        while (true)
        {
            if (Letter(data, ref at) is { } letter)
            {
                command = letter;
            }
            else if (command is ' ' or 'Z' or 'z' || at >= data.Length)
            {
                return segments;
            }
            if (segments.Count == 0 && command is not ('M' or 'm'))
            {
                return segments;
            }
            var kind = char.ToUpperInvariant(command);
            if (!"MLHVCSQTAZ".Contains(kind, StringComparison.Ordinal))
            {
                return segments;
            }
            var values = new double[Arguments(command)];
            for (var i = 0; i < values.Length; i++)
            {
                if ((kind == 'A' && i is 3 or 4 ? Flag(data, ref at) : Number(data, ref at)) is not { } number)
                {
                    return segments;
                }
                var shift = char.IsUpper(command) ? 0 : kind switch
                {
                    'H' => x,
                    'V' => y,
                    'A' => i switch { 5 => x, 6 => y, _ => 0 },
                    _ => i % 2 == 0 ? x : y,
                };
                values[i] = number + shift;
            }
            switch (kind)
            {
                case 'Z': (x, y) = (startX, startY); break;
                case 'H': x = values[0]; break;
                case 'V': y = values[0]; break;
                default: (x, y) = (values[^2], values[^1]); break;
            }
            if (kind == 'M')
            {
                (startX, startY) = (x, y);
            }
            segments.Add(kind switch { 'H' or 'V' => new('L', [x, y]), _ => new(kind, values) });
            command = command switch { 'M' => 'L', 'm' => 'l', _ => command };
        }
    }

    private static int Arguments(char command) => char.ToUpperInvariant(command) switch
    {
        'M' or 'L' or 'T' => 2,
        'H' or 'V' => 1,
        'S' or 'Q' => 4,
        'C' => 6,
        'A' => 7,
        _ => 0,
    };

    private static char? Letter(string data, ref int at)
    {
        Skip(data, ref at);
        return at < data.Length && char.IsAsciiLetter(data[at]) ? data[at++] : null;
    }

    private static double? Flag(string data, ref int at)
    {
        Skip(data, ref at);
        return at < data.Length && (data[at] is '0' or '1') ? data[at++] - '0' : null;
    }

    private static double? Number(string data, ref int at)
    {
        Skip(data, ref at);
        var start = at;
        var (dot, digits) = (false, false);
        for (; at < data.Length; at++)
        {
            var c = data[at];
            if (char.IsAsciiDigit(c))
            {
                digits = true;
            }
            else if (c == '.' && !dot)
            {
                dot = true;
            }
            else if (c is 'e' or 'E' && digits)
            {
                at += at + 1 < data.Length && (data[at + 1] is '+' or '-') ? 1 : 0;
                dot = true;
            }
            else if (!(c is '+' or '-' && at == start))
            {
                break;
            }
        }
        return double.TryParse(data.AsSpan(start, Math.Min(at, data.Length) - start), NumberStyles.Float, CultureInfo.InvariantCulture, out var number) ? number : null;
    }

    private static void Skip(string data, ref int at)
    {
        while (at < data.Length && (char.IsWhiteSpace(data[at]) || data[at] == ','))
        {
            at++;
        }
    }
}
