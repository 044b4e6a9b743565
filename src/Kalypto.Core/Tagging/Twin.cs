using System.Text.RegularExpressions;

namespace Kalypto.Core.Tagging;

/// <summary>Which form of the picture of the same name a picture is: the dark one, that of a language, the mirrored one.</summary>
/// <param name="IsDark">True for the form on dark grounds.</param>
/// <param name="IsRightToLeft">True for the form where languages run from right to left.</param>
/// <param name="IsTinted">True for the form of an app icon that the system colours.</param>
/// <param name="Language">The language, such as <c>de</c> or <c>pt-BR</c> (RFC 5646); null for every one.</param>
public sealed partial record Twin(bool IsDark, bool IsRightToLeft, bool IsTinted, string? Language)
{
    /// <summary>Reads <c>dark</c>, <c>rtl</c>, <c>tinted</c>, a language, or several with commas; null for anything else.</summary>
    public static Twin? Parse(string text)
    {
        var twin = new Twin(false, false, false, null);
        foreach (var word in text.Split(','))
        {
            switch (word.ToLowerInvariant())
            {
                case "dark" when !twin.IsDark:
                    twin = twin with { IsDark = true };
                    break;
                case "rtl" when !twin.IsRightToLeft:
                    twin = twin with { IsRightToLeft = true };
                    break;
                case "tinted" when !twin.IsTinted:
                    twin = twin with { IsTinted = true };
                    break;
                default:
                    if (twin.Language is not null || !Tag().IsMatch(word))
                    {
                        return null;
                    }
                    twin = twin with { Language = word.Split('-') is [var language, var region] ? $"{language.ToLowerInvariant()}-{region.ToUpperInvariant()}" : word.ToLowerInvariant() };
                    break;
            }
        }
        return twin;
    }

    /// <summary>The form that the last words of a name mean, with the name that is left; null for a name that means none.</summary>
    public static (Twin Twin, IReadOnlyList<string> Name)? Of(IReadOnlyList<string> words) => words.Count < 2 ? null : words[^1].ToLowerInvariant() switch
    {
        "dark" or "night" => (new(true, false, false, null), [.. words.SkipLast(1)]),
        "rtl" or "mirrored" => (new(false, true, false, null), [.. words.SkipLast(1)]),
        "tinted" => (new(false, false, true, null), [.. words.SkipLast(1)]),
        ['a' or 'd' or 'e' or 'f' or 'i' or 'j' or 'n' or 'p' or 's' or 'z', _] language when Languages.Contains(language) => (new(false, false, false, language), [.. words.SkipLast(1)]),
        _ => null,
    };

    // Those that names end in often; any other one is said by a tag. Words that mean something else as well ("is", "no", "it") are none of them.
    private static readonly HashSet<string> Languages = ["de", "en", "es", "fr", "ja", "nl", "pt", "pl", "sv", "zh", "ar", "fa"];

    /// <summary>A name without the words that say the form.</summary>
    public IReadOnlyList<string> Without(IReadOnlyList<string> words)
    {
        while (Of(words) is var (said, rest) && (said.IsDark && IsDark || said.IsRightToLeft && IsRightToLeft || said.IsTinted && IsTinted || said.Language is not null && said.Language == Language))
        {
            words = rest;
        }
        return words.Count > 1 && string.Equals(words[^1], Language, StringComparison.OrdinalIgnoreCase) ? [.. words.SkipLast(1)] : words;
    }

    /// <summary>The form as words of a name, for platforms that know no other way.</summary>
    public IReadOnlyList<string> Words => [.. Parts.Select(p => p.ToLowerInvariant())];

    /// <summary>The form as it is typed: <c>dark,de</c>.</summary>
    public override string ToString() => string.Join(',', Parts);

    /// <summary>The form for people: <c>dark German</c> is told as <c>dark de</c>.</summary>
    public string Name => string.Join(' ', Parts.Select(p => p == "rtl" ? "right-to-left" : p));

    private IEnumerable<string> Parts => new[] { Language, IsRightToLeft ? "rtl" : null, IsDark ? "dark" : null, IsTinted ? "tinted" : null }.OfType<string>();

    [GeneratedRegex(@"\A[a-z]{2,3}(-[a-z]{2})?\z", RegexOptions.IgnoreCase)]
    private static partial Regex Tag();
}
