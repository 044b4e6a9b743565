using System.Globalization;
using Kalypto.Core.Designs;

namespace Kalypto.Core.Reading.Normalising;

/// <summary>Colours of CSS Color level 4 as <c>rgba()</c> of level 3. Out-of-gamut values are clipped to sRGB.</summary>
internal static class CssColour
{
    // What rounding to bytes loses anyway.
    private const double Step = 0.5 / 255;
    private static readonly string[] WideWords = ["display-p3", "rec2020", "a98-rgb", "prophoto-rgb"];
    private static readonly string[] Functions = ["rgb(", "rgba(", "hsl(", "hsla(", "hwb(", "lab(", "lch(", "oklab(", "oklch(", "color("];

    /// <summary>True for a colour function that is written in the way of level 4.</summary>
    public static bool IsModern(string value)
    {
        var text = value.Trim();
        return Functions.Any(f => text.StartsWith(f, StringComparison.OrdinalIgnoreCase))
            && (!text.Contains(',', StringComparison.Ordinal) || text.Contains('/', StringComparison.Ordinal));
    }

    /// <summary>True for a text that names a space of colours beyond sRGB.</summary>
    public static bool NamesWide(string text) => WideWords.Any(w => text.Contains(w, StringComparison.OrdinalIgnoreCase));

    /// <summary>The colour as <c>rgba(r,g,b,a)</c>, and whether it lies beyond sRGB so that this is only the nearest; null when it is not understood.</summary>
    public static (string Colour, bool IsWide)? ToLevel3(string value)
    {
        var text = value.Trim().ToLowerInvariant();
        var open = text.IndexOf('(', StringComparison.Ordinal);
        if (open < 0 || !text.EndsWith(')'))
        {
            return null;
        }
        var function = text[..open];
        var halves = text[(open + 1)..^1].Split('/');
        var parts = halves[0].Split([' ', ',', '\t', '\n'], StringSplitOptions.RemoveEmptyEntries);
        var alpha = halves.Length > 1 ? Number(halves[1].Trim(), 1) : 1;
        double[]? rgb = function switch
        {
            "rgb" or "rgba" => Triple(parts, [255, 255, 255], c => [c[0] / 255, c[1] / 255, c[2] / 255]),
            "hsl" or "hsla" => Triple(parts, [1, 1, 1], c => Colour.FromHsl(c[0], Fraction(parts[1], c[1]), Fraction(parts[2], c[2]))),
            "hwb" => Triple(parts, [1, 1, 1], c => FromHwb(c[0], Fraction(parts[1], c[1]), Fraction(parts[2], c[2]))),
            "oklab" => Triple(parts, [1, 0.4, 0.4], c => FromOklab(c[0], c[1], c[2])),
            "oklch" => Triple(parts, [1, 0.4, 1], c => FromOklab(c[0], c[1] * Cos(c[2]), c[1] * Sin(c[2]))),
            "lab" => Triple(parts, [100, 125, 125], c => FromLab(c[0], c[1], c[2])),
            "lch" => Triple(parts, [100, 150, 1], c => FromLab(c[0], c[1] * Cos(c[2]), c[1] * Sin(c[2]))),
            "color" when parts.Length == 4 && parts[0] == "srgb" => Triple(parts[1..], [1, 1, 1], c => c),
            "color" when parts.Length == 4 && parts[0] == "display-p3" => Triple(parts[1..], [1, 1, 1], FromDisplayP3),
            _ => null,
        };
        if (rgb is null || alpha is null)
        {
            return null;
        }
        var bytes = rgb.Select(c => (int)Math.Round(Math.Clamp(c, 0, 1) * 255)).ToArray();
        return (string.Create(CultureInfo.InvariantCulture, $"rgba({bytes[0]},{bytes[1]},{bytes[2]},{Math.Clamp(alpha.Value, 0, 1):0.####})"), rgb.Any(c => c < -Step || c > 1 + Step));
    }

    private static double[]? Triple(string[] parts, double[] percentOf, Func<double[], double[]> convert)
    {
        if (parts.Length != 3)
        {
            return null;
        }
        var numbers = parts.Zip(percentOf, Number).ToArray();
        return numbers.Any(n => n is null) ? null : convert([.. numbers.Select(n => n!.Value)]);
    }

    private static double? Number(string text, double percentOf)
    {
        if (text == "none")
        {
            return 0;
        }
        var (unit, factor) = text.EndsWith('%') ? ("%", percentOf / 100)
            : text.EndsWith("deg", StringComparison.Ordinal) ? ("deg", 1)
            : text.EndsWith("grad", StringComparison.Ordinal) ? ("grad", 0.9)
            : text.EndsWith("turn", StringComparison.Ordinal) ? ("turn", 360)
            : text.EndsWith("rad", StringComparison.Ordinal) ? ("rad", 180 / Math.PI)
            : ("", 1.0);
        return double.TryParse(text[..^unit.Length], NumberStyles.Float, CultureInfo.InvariantCulture, out var n) ? n * factor : null;
    }

    /// <summary>Level 4 allows plain numbers where level 3 wants percent.</summary>
    private static double Fraction(string text, double value) => text.EndsWith('%') ? value : value / 100;

    private static double Cos(double degrees) => Math.Cos(degrees * Math.PI / 180);
    private static double Sin(double degrees) => Math.Sin(degrees * Math.PI / 180);

    private static double[] FromHwb(double h, double white, double black)
    {
        if (white + black >= 1)
        {
            var gray = white / (white + black);
            return [gray, gray, gray];
        }
        return [.. Colour.FromHsl(h, 1, 0.5).Select(c => c * (1 - white - black) + white)];
    }

    // The matrices below are those of CSS Color level 4, section "Sample code for color conversions".
    private static double[] FromOklab(double l, double a, double b)
    {
        var x = Math.Pow(l + 0.3963377773761749 * a + 0.2158037573099136 * b, 3);
        var y = Math.Pow(l - 0.1055613458156586 * a - 0.0638541728258133 * b, 3);
        var z = Math.Pow(l - 0.0894841775298119 * a - 1.2914855480194092 * b, 3);
        return [
            DisplayP3.Value(4.0767416360759574 * x - 3.3077115392580616 * y + 0.2309699031821044 * z),
            DisplayP3.Value(-1.2684379732850317 * x + 2.6097573492876887 * y - 0.3413193760026573 * z),
            DisplayP3.Value(-0.0041960761386756 * x - 0.7034186179359362 * y + 1.7076146940746117 * z)];
    }

    private static double[] FromLab(double l, double a, double b)
    {
        const double Kappa = 24389 / 27.0, Epsilon = 216 / 24389.0;
        var f1 = (l + 16) / 116;
        double Inverse(double f) => f * f * f > Epsilon ? f * f * f : (116 * f - 16) / Kappa;
        var x = Inverse(f1 + a / 500) * 0.9642956764295677;
        var y = l > Kappa * Epsilon ? Math.Pow(f1, 3) : l / Kappa;
        var z = Inverse(f1 - b / 200) * 0.8251046025104602;
        // D50 to linear sRGB, with the Bradford adaptation multiplied in.
        return [
            DisplayP3.Value(3.1341358529001178 * x - 1.6173863321612538 * y - 0.4906619460083532 * z),
            DisplayP3.Value(-0.978795502912089 * x + 1.916254567259524 * y + 0.03344273116131949 * z),
            DisplayP3.Value(0.07195537988411677 * x - 0.2289768264158322 * y + 1.405386058324125 * z)];
    }

    private static double[] FromDisplayP3(double[] c)
    {
        var (r, g, b) = DisplayP3.ToSrgb(DisplayP3.Light(c[0]), DisplayP3.Light(c[1]), DisplayP3.Light(c[2]));
        return [r, g, b];
    }
}
