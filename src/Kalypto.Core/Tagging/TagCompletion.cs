namespace Kalypto.Core.Tagging;

/// <summary>A word that the last one of a line may become.</summary>
/// <param name="Form">How it is written.</param>
/// <param name="Meaning">What it does.</param>
/// <param name="Line">The line with it, ready for the next word.</param>
public sealed record TagCompletion(string Form, string Meaning, string Line)
{
    /// <summary>The words that begin as the last one does; none for a line that ends with a whole word.</summary>
    /// <param name="line">What was typed.</param>
    /// <param name="words">The words that are understood.</param>
    /// <param name="most">How many at most.</param>
    public static IReadOnlyList<TagCompletion> Of(string line, IEnumerable<TagWord> words, int most)
    {
        var start = line.LastIndexOf(' ') + 1;
        var minus = line.AsSpan(start).StartsWith("-") ? "-" : "";
        var typed = line[(start + minus.Length)..];
        // Behind a minus the head of a word is enough.
        return [.. words.Where(w => w.Form.TrimStart('-').StartsWith(typed, StringComparison.Ordinal) && w.Form != typed && (minus.Length == 0 || !w.Form.StartsWith('-'))).Take(most)
            .Select(w => new TagCompletion(w.Form, w.Meaning, $"{line[..start]}{minus}{(minus.Length > 0 ? w.Form.Split(':')[0] : w.Form)} "))];
    }
}
