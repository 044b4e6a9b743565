using System.Globalization;

namespace Kalypto.Core.Designs;

/// <summary>Reads and writes the numbers of drawings, independent of any language.</summary>
public static class Numbers
{
    // CSS Values and Units: 96 px are one inch.
    private static readonly Dictionary<string, double> Units = new(StringComparer.OrdinalIgnoreCase)
    {
        [""] = 1,
        ["px"] = 1,
        ["pt"] = 96 / 72.0,
        ["pc"] = 16,
        ["in"] = 96,
        ["mm"] = 96 / 25.4,
        ["cm"] = 96 / 2.54,
        ["Q"] = 96 / 101.6,
    };

    /// <summary>An absolute SVG length in px; null for percentages, relative units and what is no length.</summary>
    public static double? Length(string? text)
    {
        if (text is null)
        {
            return null;
        }
        var value = text.AsSpan().Trim();
        var end = value.Length;
        while (end > 0 && (char.IsLetter(value[end - 1]) || value[end - 1] == '%'))
        {
            end--;
        }
        return Units.TryGetValue(value[end..].ToString(), out var unit)
            && double.TryParse(value[..end], NumberStyles.Float, CultureInfo.InvariantCulture, out var number)
            && double.IsFinite(number)
            ? number * unit
            : null;
    }

    /// <summary>All numbers of a list separated by spaces or commas; null when one of them is none.</summary>
    public static double[]? List(string? text)
    {
        var parts = text?.Split([' ', ',', '\t', '\n', '\r'], StringSplitOptions.RemoveEmptyEntries) ?? [];
        var numbers = new double[parts.Length];
        for (var i = 0; i < parts.Length; i++)
        {
            if (!double.TryParse(parts[i], NumberStyles.Float, CultureInfo.InvariantCulture, out numbers[i])
                || !double.IsFinite(numbers[i]))
            {
                return null;
            }
        }
        return numbers;
    }

    /// <summary>All absolute lengths of a list separated by spaces or commas, in px; null when one of them is none.</summary>
    public static double[]? Lengths(string? text)
    {
        double?[] lengths = [.. (text?.Split([' ', ',', '\t', '\n', '\r'], StringSplitOptions.RemoveEmptyEntries) ?? []).Select(Length)];
        return Array.TrueForAll(lengths, l => l is not null) ? [.. lengths.Select(l => l!.Value)] : null;
    }

    /// <summary>The shortest text of a number with at most <paramref name="decimals"/> decimals.</summary>
    public static string Text(double number, int decimals = 6) =>
        (Math.Round(number, decimals) + 0.0).ToString("0.######", CultureInfo.InvariantCulture);

    /// <summary>The same without the zero before the point: <c>.5</c>, <c>-.25</c>.</summary>
    public static string Brief(double number, int decimals)
    {
        var text = Text(number, decimals);
        return text.StartsWith("0.", StringComparison.Ordinal) ? text[1..] : text.StartsWith("-0.", StringComparison.Ordinal) ? "-" + text[2..] : text;
    }
}
