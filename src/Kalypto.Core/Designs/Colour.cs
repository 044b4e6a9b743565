using System.Globalization;

namespace Kalypto.Core.Designs;

/// <summary>A colour of sRGB.</summary>
/// <param name="Red">0 to 255.</param>
/// <param name="Green">0 to 255.</param>
/// <param name="Blue">0 to 255.</param>
/// <param name="Alpha">0 to 1.</param>
public readonly record struct Colour(int Red, int Green, int Blue, double Alpha)
{
    /// <summary>Reads a colour of CSS Color level 3: a name, <c>#rgb</c>, <c>#rrggbb</c>, with alpha or without, <c>rgb()</c>, <c>hsl()</c>; null for anything else.</summary>
    public static Colour? Parse(string? text)
    {
        var value = text?.Trim().ToLowerInvariant() ?? "";
        if (value.StartsWith('#'))
        {
            return OfHex(value[1..]);
        }
        if (value.EndsWith(')') && value.IndexOf('(', StringComparison.Ordinal) is > 0 and var open)
        {
            return OfFunction(value[..open], value[(open + 1)..^1].Split([',', ' ', '/'], StringSplitOptions.RemoveEmptyEntries));
        }
        if (value == "transparent")
        {
            return new(0, 0, 0, 0);
        }
        var named = System.Drawing.Color.FromName(value.Replace("grey", "gray", StringComparison.Ordinal));
        return named is { IsKnownColor: true, IsSystemColor: false } ? new(named.R, named.G, named.B, 1) : null;
    }

    /// <summary><c>#rgb</c> or <c>#rrggbb</c>, or <c>red</c> where that is shorter, without the alpha.</summary>
    public string ToShortText()
    {
        var hex = ToHex();
        return hex == "#ff0000" ? "red" : hex[1] == hex[2] && hex[3] == hex[4] && hex[5] == hex[6] ? $"#{hex[1]}{hex[3]}{hex[5]}" : hex;
    }

    /// <summary><c>#rrggbb</c>, without the alpha.</summary>
    public string ToHex() => $"#{Red:x2}{Green:x2}{Blue:x2}";

    /// <summary>How light it looks, from 0 for black to 1 for white: the relative luminance of WCAG 2.2, without the alpha.</summary>
    public double Luminance => 0.2126 * Linear(Red) + 0.7152 * Linear(Green) + 0.0722 * Linear(Blue);

    private static double Linear(int part) => part / 255.0 is var share && share <= 0.04045 ? share / 12.92 : Math.Pow((share + 0.055) / 1.055, 2.4);

    private static Colour? OfHex(string hex)
    {
        if (!hex.All(char.IsAsciiHexDigit) || hex.Length is not (3 or 4 or 6 or 8))
        {
            return null;
        }
        var full = hex.Length <= 4 ? string.Concat(hex.Select(c => $"{c}{c}")) : hex;
        int Part(int at) => int.Parse(full.AsSpan(at, 2), NumberStyles.HexNumber, CultureInfo.InvariantCulture);
        return new(Part(0), Part(2), Part(4), full.Length == 8 ? Part(6) / 255.0 : 1);
    }

    private static Colour? OfFunction(string name, string[] parts)
    {
        double? Number(string part, double percentOf) => double.TryParse(part.TrimEnd('%').Replace("deg", "", StringComparison.Ordinal), NumberStyles.Float, CultureInfo.InvariantCulture, out var number)
            ? part.EndsWith('%') ? number * percentOf / 100 : number : null;
        if (parts.Length is not (3 or 4) || name is not ("rgb" or "rgba" or "hsl" or "hsla"))
        {
            return null;
        }
        var alpha = parts.Length == 4 ? Number(parts[3], 1) : 1;
        var isRgb = name[0] == 'r';
        var (a, b, c) = (Number(parts[0], 255), Number(parts[1], isRgb ? 255 : 1), Number(parts[2], isRgb ? 255 : 1));
        if (a is null || b is null || c is null || alpha is null)
        {
            return null;
        }
        double[] channels = isRgb ? [a.Value, b.Value, c.Value] : [.. FromHsl(a.Value, b.Value, c.Value).Select(v => v * 255)];
        static int Byte(double value) => (int)Math.Round(Math.Clamp(value, 0, 255));
        return new(Byte(channels[0]), Byte(channels[1]), Byte(channels[2]), Math.Clamp(alpha.Value, 0, 1));
    }

    /// <summary>Red, green and blue from 0 to 1 of hue in degrees, saturation and light from 0 to 1 (CSS Color level 3, 4.2.4).</summary>
    internal static double[] FromHsl(double hue, double saturation, double light)
    {
        hue = ((hue % 360) + 360) % 360;
        double Channel(double n)
        {
            var k = (n + hue / 30) % 12;
            return light - saturation * Math.Min(light, 1 - light) * Math.Max(-1, Math.Min(Math.Min(k - 3, 9 - k), 1));
        }
        return [Channel(0), Channel(8), Channel(4)];
    }
}
