using System.Collections.Immutable;

namespace Kalypto.Core.Tagging;

/// <summary>
/// A typed line of tags, read. Words in any order, separated by spaces; a minus takes away. When one word is not
/// understood none is applied.
/// </summary>
public sealed class TagLine
{
    private readonly ImmutableArray<Func<Tags, Tags>> changes;

    private TagLine(ImmutableArray<Func<Tags, Tags>> changes, ImmutableArray<TagMistake> mistakes)
    {
        this.changes = changes;
        Mistakes = mistakes;
    }

    /// <summary>The words that were not understood; empty when the line can be applied.</summary>
    public ImmutableArray<TagMistake> Mistakes { get; }

    /// <summary>True when nothing was typed.</summary>
    public bool IsEmpty => changes.IsEmpty && Mistakes.IsEmpty;

    /// <summary>The longest line. Nobody types it; every tag there is comes to a tenth of it.</summary>
    public const int Longest = 4000;

    /// <summary>Reads a line; never throws.</summary>
    /// <param name="text">What was typed.</param>
    /// <param name="ownKinds">The team's own kinds, which are words too.</param>
    /// <param name="anyKind">True to take every other word in the form of a kind as a kind.</param>
    public static TagLine Parse(string text, IReadOnlyCollection<string>? ownKinds = null, bool anyKind = false)
    {
        var words = TagWord.All(ownKinds);
        var changes = ImmutableArray.CreateBuilder<Func<Tags, Tags>>();
        var mistakes = ImmutableArray.CreateBuilder<TagMistake>();
        if (text.Length > Longest)
        {
            return new([], [new(Naming.PlainText.Clean(text, 40, "…"), null)]);
        }
        foreach (var typed in text.Split([' ', '\t', '\n', '\r', '\u00a0'], StringSplitOptions.RemoveEmptyEntries))
        {
            var takeAway = typed[0] == '-';
            var word = takeAway ? typed[1..] : typed;
            var change = words.Select(w => takeAway ? w.TakeAway(word) : w.Read(word)).FirstOrDefault(c => c is not null)
                ?? (anyKind && !takeAway && Kinds.IsWord(word) ? tags => tags with { Kind = word } : null);
            if (change is not null)
            {
                changes.Add(change);
            }
            else
            {
                mistakes.Add(new(typed, Nearest(word, words) is { } near ? (takeAway ? "-" : "") + near : null));
            }
        }
        return new(changes.ToImmutable(), mistakes.ToImmutable());
    }

    /// <summary>The tags of a layer after the line. Applying it twice changes nothing more.</summary>
    /// <exception cref="InvalidOperationException">The line has mistakes.</exception>
    public Tags ApplyTo(Tags tags) => Mistakes.IsEmpty
        ? changes.Aggregate(tags, (t, change) => change(t))
        : throw new InvalidOperationException("A line with mistakes is not applied.");

    private static string? Nearest(string word, ImmutableArray<TagWord> words)
    {
        var colon = word.IndexOf(':', StringComparison.Ordinal);
        var name = colon < 0 ? word : word[..colon];
        var best = words
            .Select(w => (w.Form, Distance: Distance(name.ToLowerInvariant(), w.Form.Split(':')[0])))
            .OrderBy(w => w.Distance).First();
        // Of two letters every second word is near.
        return best.Distance <= (name.Length < 3 ? 0 : Math.Max(1, name.Length / 3)) ? best.Form : null;
    }

    /// <summary>How many letters have to be added, left out or changed (Levenshtein), neighbours swapped counting as one.</summary>
    private static int Distance(string a, string b)
    {
        a = a.Length > 40 ? a[..40] : a;
        var d = new int[a.Length + 1, b.Length + 1];
        for (var i = 0; i <= a.Length; i++)
        {
            for (var j = 0; j <= b.Length; j++)
            {
                d[i, j] = i == 0 ? j : j == 0 ? i
                    : Math.Min(Math.Min(d[i - 1, j] + 1, d[i, j - 1] + 1), d[i - 1, j - 1] + (a[i - 1] == b[j - 1] ? 0 : 1));
                if (i > 1 && j > 1 && a[i - 1] == b[j - 2] && a[i - 2] == b[j - 1])
                {
                    d[i, j] = Math.Min(d[i, j], d[i - 2, j - 2] + 1);
                }
            }
        }
        return d[a.Length, b.Length];
    }
}
