using System.Buffers;
using System.Text;

namespace Kalypto.Core.Reading.Pdf;

/// <summary>
/// Groups that are marked in the content of a page (ISO 32000-1, 14.6) made groups of optional content (8.11), which can be drawn
/// one by one. What lies inside optional content, or inside another group that is told, stays as it is.
/// </summary>
public static class MarkedContent
{
    private static readonly SearchValues<char> EndsName = SearchValues.Create(" \t\r\n\f\0/<[(");

    /// <summary>Looks up what a marked group is called.</summary>
    /// <param name="tag">Its tag, without the slash.</param>
    /// <param name="properties">What stands behind it: the name of a resource, a dictionary, or nothing.</param>
    /// <returns>The name of the resource of optional content that it becomes, without the slash; null to leave it as it is.</returns>
    public delegate string? FindGroup(string tag, string properties);

    /// <summary>Rewrites the content of a page.</summary>
    /// <param name="content">The operators, decoded.</param>
    /// <param name="find">Looks up groups.</param>
    /// <returns>The new content; null when no group is told.</returns>
    public static byte[]? ToOptional(ReadOnlySpan<byte> content, FindGroup find)
    {
        var written = new MemoryStream();
        var done = 0;
        var operands = 0;
        // Of each group that is open, whether what lies in it is drawn as one.
        var open = new Stack<bool>();
        var tokens = new PdfTokens(content);
        while (tokens.Next())
        {
            if (!tokens.IsOperator)
            {
                continue;
            }
            if (tokens.Is("BDC"u8) || tokens.Is("BMC"u8))
            {
                var isInside = open.TryPeek(out var around) && around;
                var (tag, properties) = Split(Encoding.Latin1.GetString(content[operands..tokens.Start]));
                if (!isInside && tag != "OC" && find(tag, properties) is { } group)
                {
                    written.Write(content[done..operands]);
                    written.Write(Encoding.Latin1.GetBytes($" /OC /{group} BDC"));
                    done = tokens.End;
                    isInside = true;
                }
                open.Push(isInside || tag == "OC");
            }
            else if (tokens.Is("EMC"u8))
            {
                open.TryPop(out _);
            }
            operands = tokens.End;
        }
        if (done == 0)
        {
            return null;
        }
        written.Write(content[done..]);
        return written.ToArray();
    }

    private static (string Tag, string Properties) Split(string operands)
    {
        var text = operands.Trim();
        if (text.Length == 0 || text[0] != '/')
        {
            return ("", "");
        }
        var end = text.AsSpan(1).IndexOfAny(EndsName) is >= 0 and var at ? at + 1 : text.Length;
        return (Name(text[1..end]), text[end..].Trim());
    }

    /// <summary>A name without its escapes (7.3.5): <c>A#20B</c> is “A B”.</summary>
    private static string Name(string written)
    {
        if (!written.Contains('#', StringComparison.Ordinal))
        {
            return written;
        }
        var bytes = new List<byte>();
        for (var i = 0; i < written.Length; i++)
        {
            var isEscape = written[i] == '#' && i + 2 < written.Length && char.IsAsciiHexDigit(written[i + 1]) && char.IsAsciiHexDigit(written[i + 2]);
            bytes.Add(isEscape ? Convert.ToByte(written.Substring(i + 1, 2), 16) : (byte)written[i]);
            i += isEscape ? 2 : 0;
        }
        return Encoding.UTF8.GetString([.. bytes]);
    }
}
