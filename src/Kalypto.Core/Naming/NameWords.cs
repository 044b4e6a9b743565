using System.Globalization;
using System.Text;
using System.Text.RegularExpressions;
using AnyAscii;

namespace Kalypto.Core.Naming;

/// <summary>Splits any name into the plain lower-case words that file names are made of.</summary>
public static partial class NameWords
{
    // Letters that do not come apart into a plain letter and an accent.
    private static readonly Dictionary<char, string> Special = new()
    {
        ['ß'] = "ss",
        ['æ'] = "ae",
        ['Æ'] = "Ae",
        ['œ'] = "oe",
        ['Œ'] = "Oe",
        ['ø'] = "o",
        ['Ø'] = "O",
        ['đ'] = "d",
        ['Đ'] = "D",
        ['ð'] = "d",
        ['Ð'] = "D",
        ['þ'] = "th",
        ['Þ'] = "Th",
        ['ł'] = "l",
        ['Ł'] = "L",
        ['ı'] = "i",
    };

    /// <summary>The words of a name: split at spaces, signs and changes of case; accents taken off, other scripts in Latin letters; signs
    /// such as emoji by what they are called where there are no words; empty when nothing is left.</summary>
    /// <example><c>Book Button</c>, <c>bookButton</c> and <c>Bóok_button!</c> all give <c>book</c>, <c>button</c>, <c>Звезда</c> gives <c>zvezda</c>.</example>
    public static IReadOnlyList<string> Split(string name)
    {
        // Enough for any name: some are pages of text.
        var start = name.Length > 2_000 ? name[..2_000] : name;
        return SplitPlain(Plain(start)) is { Count: > 0 } words ? words : SplitPlain(start.Transliterate());
    }

    // Letters beyond Latin, with their marks.
    [GeneratedRegex(@"[\p{L}\p{M}-[\u0000-\u036F\u1E00-\u1EFF\u20D0-\u20F0]][\p{M}\p{L}-[\u0000-\u024F\u1E00-\u1EFF]]*")]
    private static partial Regex OtherScripts();

    private static List<string> SplitPlain(string plain)
    {
        var words = new List<string>();
        var word = new StringBuilder();
        for (var i = 0; i < plain.Length; i++)
        {
            var c = plain[i];
            if (!char.IsAsciiLetterOrDigit(c))
            {
                // An apostrophe belongs to its word.
                if (c is not ('\'' or '’'))
                {
                    Flush();
                }
                continue;
            }
            var before = i > 0 ? plain[i - 1] : ' ';
            var after = i + 1 < plain.Length ? plain[i + 1] : ' ';
            if (char.IsAsciiLetterUpper(c) && (char.IsAsciiLetterLower(before) || (char.IsAsciiLetterUpper(before) && char.IsAsciiLetterLower(after))))
            {
                Flush();
            }
            word.Append(char.ToLowerInvariant(c));
        }
        Flush();
        return words;

        void Flush()
        {
            if (word.Length > 0)
            {
                words.Add(word.ToString());
                word.Clear();
            }
        }
    }

    /// <summary>Joins words, leaving out last words (or letters of an only one) beyond the most characters.</summary>
    public static string Join(IEnumerable<string> words, string separator, int most)
    {
        var joined = "";
        foreach (var word in words)
        {
            var next = joined.Length == 0 ? word : joined + separator + word;
            if (next.Length > most)
            {
                return joined.Length == 0 ? word[..most] : joined;
            }
            joined = next;
        }
        return joined;
    }

    private static string Plain(string name)
    {
        if (name.Any(c => c > '\u036F'))
        {
            name = OtherScripts().Replace(name, letters => letters.Value.Transliterate());
        }
        var text = new StringBuilder(name.Length);
        foreach (var c in name)
        {
            text.Append(Special.TryGetValue(c, out var plain) ? plain : c.ToString());
        }
        var result = new StringBuilder(text.Length);
        foreach (var c in Decompose(text.ToString()))
        {
            if (CharUnicodeInfo.GetUnicodeCategory(c) != UnicodeCategory.NonSpacingMark)
            {
                result.Append(c);
            }
        }
        return result.ToString();
    }

    private static string Decompose(string text)
    {
        try
        {
            return text.Normalize(NormalizationForm.FormKD);
        }
        catch (ArgumentException)
        {
            // Half a surrogate pair: nothing to take apart.
            return text;
        }
    }
}
