using System.Globalization;
using System.Text;

namespace Kalypto.Core.Naming;

/// <summary>Names and lines that people or files bring, as one line that can be kept, shown and sent anywhere.</summary>
public static class PlainText
{
    private const char Replacement = '\ufffd';
    private const char Joiner = '\u200d';
    private const char NonJoiner = '\u200c';

    /// <summary>
    /// One line in Unicode's composed form (NFC): breaks and control characters are spaces, characters that only turn the
    /// direction or are not seen are left out, halves of characters are replaced; cut between whole characters as people see
    /// them (Unicode Standard Annex 29).
    /// </summary>
    /// <param name="text">The text; null for none.</param>
    /// <param name="longest">The most UTF-16 units that are kept.</param>
    /// <param name="end">What stands at the end of what was cut, within the limit.</param>
    public static string Clean(string? text, int longest, string end = "")
    {
        var line = OneLine(text ?? "");
        return line.Length <= longest ? line : Cut(line, longest - end.Length).TrimEnd() + end;
    }

    /// <summary>The beginning of a text, cut between whole characters.</summary>
    /// <param name="text">The text.</param>
    /// <param name="longest">The most UTF-16 units that are kept.</param>
    public static string Cut(string text, int longest)
    {
        if (text.Length <= longest)
        {
            return text;
        }
        var kept = 0;
        for (var rest = text.AsSpan(); kept < longest;)
        {
            var next = StringInfo.GetNextTextElementLength(rest);
            if (kept + next > longest)
            {
                break;
            }
            kept += next;
            rest = rest[next..];
        }
        return text[..kept];
    }

    private static string OneLine(string text)
    {
        // What is far too long is looked at only as far as anybody keeps anything of it.
        const int Most = 20_000;
        var plain = new StringBuilder(Math.Min(text.Length, Most));
        var afterBreak = false;
        foreach (var rune in text.AsSpan(0, Math.Min(text.Length, Most)).EnumerateRunes())
        {
            switch (Rune.GetUnicodeCategory(rune))
            {
                case UnicodeCategory.Control or UnicodeCategory.LineSeparator or UnicodeCategory.ParagraphSeparator:
                    // With spaces around it a break is one space.
                    plain.Append(plain.Length > 0 && plain[^1] == ' ' ? "" : " ");
                    afterBreak = true;
                    continue;
                case UnicodeCategory.SpaceSeparator when afterBreak:
                    continue;
                case UnicodeCategory.Format when rune.Value is not (Joiner or NonJoiner):
                    break;
                case UnicodeCategory.OtherNotAssigned or UnicodeCategory.PrivateUse when (rune.Value & 0xfffe) == 0xfffe:
                    // Not characters at all.
                    plain.Append(Replacement);
                    break;
                default:
                    plain.Append(rune);
                    break;
            }
            afterBreak = false;
        }
        return plain.ToString().Normalize(NormalizationForm.FormC).Trim();
    }
}
