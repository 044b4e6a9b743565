using ExCSS;

namespace Kalypto.Core.Reading.Styles;

/// <summary>Reads the style sheets of a drawing into rules.</summary>
internal static class StyleSheetReader
{
    // What the parser of style sheets takes for something else.
    private static readonly string[] Nested = ["@layer", "@container", "@scope", "&"];
    private static readonly string[] Pointed = [":hover", ":focus", ":active", ":visited"];

    /// <summary>What was read of the style sheets.</summary>
    /// <param name="Lines">The rules that are understood, one a selector.</param>
    /// <param name="HasFonts">True when they bring fonts along.</param>
    /// <param name="IsBeyond">True when some of it is not understood here, but may be by a browser.</param>
    public sealed record Sheet(IReadOnlyList<StyleRuleLine> Lines, bool HasFonts, bool IsBeyond);

    public static Sheet Read(string text, Action<string> note)
    {
        if (string.IsNullOrWhiteSpace(text))
        {
            return new([], false, false);
        }
        var parser = new StylesheetParser(
            includeUnknownRules: true, includeUnknownDeclarations: true, tolerateInvalidSelectors: true, tolerateInvalidValues: true);
        Stylesheet sheet;
        try
        {
            sheet = parser.Parse(text);
        }
        catch (Exception e) when (e is ParseException or FormatException or ArgumentException or InvalidOperationException)
        {
            note("The style sheet could not be read; layers that rely on it look different.");
            return new([], false, true);
        }
        if (sheet.ImportRules.Any())
        {
            note("The style sheet imports another one, which is not fetched; put its rules into the drawing.");
        }
        if (sheet.FontfaceSetRules.OfType<IFontFaceRule>().Any(r => r.Source?.Contains("data:", StringComparison.OrdinalIgnoreCase) != true))
        {
            note("The style sheet asks for fonts from elsewhere by @font-face, which are not fetched; drop the fonts onto the project instead.");
        }
        var lines = new List<StyleRuleLine>();
        var isBeyond = false;
        foreach (var rule in AllRules(sheet))
        {
            var declarations = rule.Style
                .Where(d => d.Value is not ("" or "initial" or null))
                .Select(d => (d.Name, d.Value, d.IsImportant)).ToList();
            foreach (var selector in rule.Selector is ListSelector list ? list : Enumerable.Repeat(rule.Selector, 1))
            {
                if (!SelectorMatcher.Understands(selector))
                {
                    // What holds only while somebody points at something is in no picture.
                    if (Pointed.Any(p => selector.Text.Contains(p, StringComparison.Ordinal)))
                    {
                        continue;
                    }
                    isBeyond = true;
                    note($"The style rule “{selector.Text}” is not understood and is left out.");
                    continue;
                }
                lines.Add(new(selector, selector.Specificity, lines.Count, declarations));
            }
        }
        return new(lines, sheet.FontfaceSetRules.Any(), isBeyond || HasConditions(sheet) || Nested.Any(n => text.Contains(n, StringComparison.OrdinalIgnoreCase)));
    }

    // Rules that hold under conditions that only a browser knows.
    private static bool HasConditions(IStylesheetNode node) => node.Children.Any(child => child switch
    {
        IMediaRule media => media.Media.MediaText is not ("print" or "speech") && (media.Media.MediaText is not ("" or "all" or "screen") || HasConditions((IStylesheetNode)media)),
        ISupportsRule => true,
        _ => false,
    });

    private static IEnumerable<IStyleRule> AllRules(IStylesheetNode node)
    {
        foreach (var child in node.Children)
        {
            switch (child)
            {
                case IStyleRule rule:
                    yield return rule;
                    break;
                case IMediaRule media when media.Media.MediaText is "" or "all" or "screen":
                    foreach (var inner in AllRules((IStylesheetNode)media))
                    {
                        yield return inner;
                    }
                    break;
            }
        }
    }
}
