using System.Collections.Immutable;
using System.Globalization;

namespace Kalypto.Core.Pages;

/// <summary>Writes the rules of a page as a style sheet.</summary>
internal sealed class StyleWriter
{
    private static readonly string[] Blocks = ["h1", "h2", "h3", "h4", "p", "ul", "figure"];
    private readonly ImmutableArray<PageLine>.Builder lines = ImmutableArray.CreateBuilder<PageLine>();

    /// <summary>Writes it.</summary>
    /// <param name="body">The page.</param>
    /// <param name="types">How words are set.</param>
    /// <param name="tokens">The values with a name.</param>
    /// <param name="fonts">The fonts that it brings along.</param>
    /// <param name="rules">The rules of its classes.</param>
    public ImmutableArray<PageLine> Write(PageElement body, TypeStyles types, IReadOnlyDictionary<string, string> tokens, IEnumerable<PageFont> fonts, IEnumerable<PageRule> rules)
    {
        foreach (var font in fonts)
        {
            var weight = font.Font.IsVariable ? $"{font.Font.Lightest} {font.Font.Heaviest}" : font.Font.Lightest.ToString(CultureInfo.InvariantCulture);
            Rule("@font-face", [("font-family", font.Family.All(c => char.IsAsciiLetter(c) || c == '-') ? font.Family : $"\"{CssText(font.Family)}\""), ("font-weight", weight), ("font-style", font.Font.IsItalic ? "italic" : "normal"), ("src", $"url(\"{CssText(font.Address)}\")")]);
        }
        var tags = body.All.Select(e => e.Tag).ToHashSet();
        List<PageRule> all = [.. rules];
        // Values are written out where a style sheet says them; only those that it does say are listed.
        var used = tokens.Where(t => all.SelectMany(r => r.Declarations).Concat(types.Base).Concat(body.Style).Any(d => d.Value.Contains($"var(--{t.Key})", StringComparison.Ordinal))).ToList();
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
            Rule("img", [("display", "block"), ("max-width", "100%"), ("height", "auto")]);
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
        return lines.ToImmutable();
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
