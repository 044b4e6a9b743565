using System.Collections.Immutable;
using System.Globalization;

namespace Kalypto.Core.Pages;

/// <summary>Writes the rules of a page as a style sheet.</summary>
internal sealed class StyleWriter
{
    private static readonly (string, string)[] Slanted = [("font-style", "italic")];
    private static readonly string[] Blocks = ["h1", "h2", "h3", "h4", "p", "ul", "figure"];
    private readonly ImmutableArray<PageLine>.Builder lines = ImmutableArray.CreateBuilder<PageLine>();

    /// <summary>Writes it.</summary>
    /// <param name="body">The page.</param>
    /// <param name="types">How words are set.</param>
    /// <param name="tokens">The values with a name.</param>
    /// <param name="fonts">The fonts that it brings along.</param>
    /// <param name="rules">The rules of its classes.</param>
    /// <param name="narrow">How words are set below a width in px; null where there is one page for all.</param>
    public ImmutableArray<PageLine> Write(PageElement body, TypeStyles types, IReadOnlyDictionary<string, string> tokens, IEnumerable<PageFont> fonts, IEnumerable<PageRule> rules, (TypeStyles Types, double Below)? narrow = null)
    {
        foreach (var font in fonts)
        {
            var weight = font.Font.IsVariable ? $"{font.Font.Lightest} {font.Font.Heaviest}" : font.Font.Lightest.ToString(CultureInfo.InvariantCulture);
            Rule("@font-face", [("font-family", font.Family.All(c => char.IsAsciiLetter(c) || c == '-') ? font.Family : $"\"{CssText(font.Family)}\""), ("font-weight", weight), .. font.Font.IsItalic ? Slanted : [], ("src", $"url(\"{CssText(font.Address)}\")")]);
        }
        var tags = body.All.Select(e => e.Tag).ToHashSet();
        List<PageRule> all = [.. rules];
        // Values are written out where a style sheet says them; only those that it does say are listed.
        var used = tokens.Where(t => all.SelectMany(r => r.Declarations.Concat(r.Narrow)).Concat(types.Base).Concat(narrow?.Types.Base ?? []).Concat(body.Style).Concat(body.Narrow?.Style ?? []).Any(d => d.Value.Contains($"var(--{t.Key})", StringComparison.Ordinal))).ToList();
        if (used.Count > 0)
        {
            Rule(":root", [.. used.Select(t => ($"--{t.Key}", t.Value))]);
        }
        Rule("*, ::before, ::after", [("box-sizing", "border-box")]);
        string[] blocks = [.. Blocks.Where(tags.Contains)];
        if (blocks.Length > 0)
        {
            Rule(string.Join(", ", blocks), [("margin", "0"), .. blocks.Any(b => b[0] == 'h') ? new[] { ("font", "inherit") } : []]);
        }
        if (tags.Contains("ul"))
        {
            Rule("ul", [("padding", "0"), ("list-style", "none")]);
        }
        if (tags.Contains("img"))
        {
            Rule("img", [("display", "block"), ("flex", "none"), ("max-width", "100%"), ("height", "auto")]);
        }
        if (tags.Contains("a"))
        {
            Rule("a", [("color", "inherit"), ("text-decoration", "none")]);
        }
        if (tags.Contains("button"))
        {
            Rule("button", [("padding", "0"), ("border", "0"), ("font", "inherit"), ("text-align", "inherit"), ("color", "inherit"), ("background", "none"), ("cursor", "pointer")]);
        }
        Rule("body", [("margin", "0"), .. body.Padding.Declarations("padding"), .. body.Style, .. types.Base, ("overflow-wrap", "break-word")], body.Part?.Layer);
        foreach (var rule in all)
        {
            Rule(rule.Selector, rule.Declarations, rule.Layer);
        }
        if (narrow is var (less, below) && body.Narrow is { } other)
        {
            List<PageRule> narrower = [new("body", [.. NarrowRules.Between([.. body.Padding.Declarations("padding"), .. body.Style, .. types.Base], [.. other.Padding.Declarations("padding"), .. other.Style, .. less.Base])], null), .. all.Select(r => r with { Declarations = r.Narrow })];
            Below(below, [.. narrower.Where(r => r.Declarations.Length > 0)]);
        }
        return lines.ToImmutable();
    }

    private void Below(double width, IReadOnlyList<PageRule> rules)
    {
        if (rules.Count == 0)
        {
            return;
        }
        lines.Add(new("", null));
        lines.Add(new($"@media (width < {Lengths.Px(width)}) {{", null));
        foreach (var (i, rule) in rules.Index())
        {
            if (i > 0)
            {
                lines.Add(new("", null));
            }
            lines.Add(new($"  {rule.Selector} {{", rule.Layer));
            foreach (var (property, value) in rule.Declarations)
            {
                lines.Add(new($"    {property}: {value};", rule.Layer));
            }
            lines.Add(new("  }", rule.Layer));
        }
        lines.Add(new("}", null));
    }

    private void Rule(string selector, IReadOnlyCollection<(string Property, string Value)> declarations, int? layer = null)
    {
        if (lines.Count > 0)
        {
            lines.Add(new("", null));
        }
        foreach (var (i, part) in selector.Split(", ").Index())
        {
            lines.Add(new(i == selector.Split(", ").Length - 1 ? $"{part} {{" : $"{part},", layer));
        }
        foreach (var (property, value) in declarations)
        {
            lines.Add(new($"  {property}: {value};", layer));
        }
        lines.Add(new("}", layer));
    }

    // Inside quotes: nothing may end them.
    private static string CssText(string text) => string.Concat(text.Select(c => char.IsAsciiLetterOrDigit(c) || c is ' ' or '-' or '_' or '/' or '.' or ':' or '@' ? c.ToString() : $"\\{(int)c:x} "));
}
