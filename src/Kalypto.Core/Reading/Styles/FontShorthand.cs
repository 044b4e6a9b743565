namespace Kalypto.Core.Reading.Styles;

/// <summary>Reads <c>font: italic 700 26px/1.2 Inter, sans-serif</c> into the properties that it stands for (CSS Fonts 4, section 2.7).</summary>
internal static class FontShorthand
{
    private static readonly HashSet<string> Weights = ["bold", "bolder", "lighter", "100", "200", "300", "400", "500", "600", "700", "800", "900"];
    private static readonly HashSet<string> Slants = ["italic", "oblique"];
    private static readonly HashSet<string> Widths = ["ultra-condensed", "extra-condensed", "condensed", "semi-condensed", "semi-expanded", "expanded", "extra-expanded", "ultra-expanded"];

    /// <summary>The properties; none for what is not understood.</summary>
    public static IReadOnlyList<(string Name, string Value)> Read(string value)
    {
        var (slant, weight, width, variant) = ("normal", "normal", "normal", "normal");
        var rest = value.Trim();
        while (rest.IndexOf(' ', StringComparison.Ordinal) is > 0 and var end)
        {
            var word = rest[..end];
            var lower = word.ToLowerInvariant();
            if (Weights.Contains(lower))
            {
                weight = lower;
            }
            else if (Slants.Contains(lower))
            {
                slant = lower;
            }
            else if (Widths.Contains(lower))
            {
                width = lower;
            }
            else if (lower == "small-caps")
            {
                variant = lower;
            }
            else if (lower != "normal")
            {
                return char.IsAsciiDigit(word[0]) || word[0] == '.' ? Sized(word, rest[end..].Trim()) : [];
            }
            rest = rest[end..].TrimStart();
        }
        return [];

        IReadOnlyList<(string, string)> Sized(string size, string families)
        {
            if (families.StartsWith('/') && families.IndexOf(' ', StringComparison.Ordinal) is > 0 and var behind)
            {
                (size, families) = (size + families[..behind], families[behind..].Trim());
            }
            var parts = size.Split('/', 2);
            return families.Length == 0 ? [] : [("font-style", slant), ("font-variant", variant), ("font-weight", weight), ("font-stretch", width), ("font-size", parts[0]), ("font-family", families),
                .. parts.Length == 2 ? new[] { ("line-height", parts[1]) } : []];
        }
    }
}
