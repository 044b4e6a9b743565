using System.Globalization;
using System.Text.RegularExpressions;

namespace Kalypto.Core.Naming;

/// <summary>One change to the names of many layers.</summary>
/// <param name="Find">What is looked for in each name; empty for the whole name.</param>
/// <param name="Replace">What comes instead. With <c>{name}</c>, <c>{parent}</c>, <c>{kind}</c>, <c>{words}</c>, <c>{screen}</c> and <c>{n}</c>, the running number; <c>{n:3}</c> gives it three digits.</param>
/// <param name="IsExpression">True when <paramref name="Find"/> is a regular expression; then <c>$1</c> stands for its first part in brackets.</param>
/// <param name="Style">How the words are written in the end.</param>
/// <param name="Start">The first running number.</param>
public sealed partial record RenameMany(string Find, string Replace, bool IsExpression, NameStyle Style, int Start)
{
    private const int Longest = 200;

    /// <summary>Why the change cannot be made, as a sentence; null when it can.</summary>
    public string? Mistake
    {
        get
        {
            if (Slot().Matches(Replace).Select(m => m.Groups[1].Value).FirstOrDefault(n => !Names.Contains(n)) is { } unknown)
            {
                return $"{{{unknown}}} is not known. There are {string.Join(", ", Names.Select(n => $"{{{n}}}"))}.";
            }
            try
            {
                _ = Expression;
                return null;
            }
            catch (Exception e) when (e is ArgumentException or NotSupportedException)
            {
                return $"The expression cannot be read: {e.Message}";
            }
        }
    }

    /// <summary>The new name of a layer.</summary>
    /// <param name="parts">What the layer gives.</param>
    /// <param name="index">Its place among those renamed, from 0.</param>
    /// <exception cref="ArgumentException">There is a <see cref="Mistake"/>.</exception>
    public string Apply(NameParts parts, int index)
    {
        var filled = Slot().Replace(Replace, slot => slot.Groups[1].Value switch
        {
            "name" => Plain(parts.Name),
            "parent" => Plain(parts.Parent),
            "kind" => Plain(parts.Kind),
            "words" => Plain(parts.Words),
            "screen" => Plain(parts.Screen),
            "n" => (Start + index).ToString(slot.Groups[2].Success ? $"D{slot.Groups[2].Value}" : "D", CultureInfo.InvariantCulture),
            _ => throw new ArgumentException(Mistake),
        });
        var name = Find.Length == 0 ? (Replace.Length == 0 ? parts.Name : filled)
            : Expression is { } expression ? expression.Replace(parts.Name, filled)
            : parts.Name.Replace(Find, filled, StringComparison.OrdinalIgnoreCase);
        name = Styled(name.Trim().Trim('-', '_').Trim());
        return PlainText.Clean(name, Longest);

        // In a regular replacement a dollar of a name would be read as a group.
        string Plain(string text) => Expression is null ? text : text.Replace("$", "$$", StringComparison.Ordinal);
    }

    // Without backtracking, so that no expression can take forever.
    private Regex? Expression => IsExpression && Find.Length > 0
        ? new(Find, RegexOptions.IgnoreCase | RegexOptions.CultureInvariant | RegexOptions.NonBacktracking, TimeSpan.FromSeconds(1)) : null;

    private string Styled(string name)
    {
        var words = Style == NameStyle.AsTyped ? [] : NameWords.Split(name);
        return Style switch
        {
            NameStyle.Hyphens => string.Join('-', words),
            NameStyle.Underscores => string.Join('_', words),
            NameStyle.Camel => string.Concat(words.Select((w, i) => i == 0 ? w : char.ToUpperInvariant(w[0]) + w[1..])),
            NameStyle.Sentence => string.Join(' ', words) is { Length: > 0 } s ? char.ToUpperInvariant(s[0]) + s[1..] : "",
            _ => name,
        };
    }

    private static readonly string[] Names = ["name", "parent", "kind", "words", "screen", "n"];

    [GeneratedRegex(@"\{([a-z]+)(?::([1-6]))?\}")]
    private static partial Regex Slot();
}
