using System.Globalization;
using System.Text.RegularExpressions;
using ExCSS;
using Kalypto.Core.Fonts;

namespace Kalypto.Core.Reading.Styles;

/// <summary>A font that a drawing brings along in its style sheet (CSS Fonts 4, section 4), as it lies there.</summary>
/// <param name="Family">The family that texts of the drawing ask for it by.</param>
/// <param name="Lightest">The lightest weight that it is for; null for what the font says.</param>
/// <param name="Heaviest">The heaviest weight that it is for; null for what the font says.</param>
/// <param name="File">TTF, OTF, WOFF or WOFF2. Hostile.</param>
public sealed partial record EmbeddedFont(string Family, int? Lightest, int? Heaviest, byte[] File)
{
    private const int Most = 60;

    /// <summary>The fonts in the style sheets of a drawing; what cannot be read of them is left out.</summary>
    /// <param name="file">The bytes of an SVG file. Treated as hostile.</param>
    /// <exception cref="DrawingRefusedException">The file is not an SVG drawing, is broken, or is over a limit.</exception>
    public static IReadOnlyList<EmbeddedFont> In(ReadOnlyMemory<byte> file)
    {
        var parser = new SvgParser(ReadingLimits.Default);
        parser.Parse(file);
        Nesting.RefuseDeep(parser.Styles, ReadingLimits.Default, "The style sheet");
        try
        {
            return [.. new StylesheetParser().Parse(parser.Styles).FontfaceSetRules.OfType<IFontFaceRule>().Take(Most).Select(Of).OfType<EmbeddedFont>()];
        }
        catch (Exception e) when (e is ParseException or FormatException or ArgumentException or InvalidOperationException)
        {
            return [];
        }
    }

    /// <summary>What the font says of itself, as the drawing asks for it.</summary>
    public Font Named(Font font) => font with
    {
        Names = [Family, .. font.Names.Where(n => !n.Equals(Family, StringComparison.OrdinalIgnoreCase))],
        Lightest = Lightest ?? font.Lightest,
        Heaviest = Heaviest ?? font.Heaviest,
    };

    private static EmbeddedFont? Of(IFontFaceRule rule)
    {
        if (FamilyList.Of(rule.Family ?? "").FirstOrDefault() is not { } family || Data().Match(rule.Source ?? "") is not { Success: true } data)
        {
            return null;
        }
        int[] weights = [.. (rule.Weight ?? "").Split(' ', StringSplitOptions.RemoveEmptyEntries).Select(w => w switch
        {
            "bold" => 700,
            "normal" => 400,
            _ => int.TryParse(w, CultureInfo.InvariantCulture, out var number) && number is >= 1 and <= 1000 ? number : 0,
        }).Where(w => w > 0)];
        try
        {
            return new(family, weights.Length == 0 ? null : weights.Min(), weights.Length == 0 ? null : weights.Max(), Convert.FromBase64String(data.Groups[1].Value));
        }
        catch (FormatException)
        {
            return null;
        }
    }

    [GeneratedRegex(@"data:[\w/+.;=-]*;base64,([A-Za-z0-9+/=\s]+)", RegexOptions.CultureInvariant)]
    private static partial Regex Data();
}
