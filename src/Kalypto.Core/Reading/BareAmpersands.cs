using System.Text;
using System.Text.RegularExpressions;

namespace Kalypto.Core.Reading;

/// <summary>
/// Nesting in style sheets (CSS Nesting 1) written as people write it in a page, <c>&amp;:hover</c>: in XML an ampersand begins an
/// entity, so that the file is not well-formed. It is read as what was meant.
/// </summary>
internal static partial class BareAmpersands
{
    private const int LongestName = 64;

    private static ReadOnlySpan<byte> Escaped => "&amp;"u8;

    /// <summary>The file with the bare ampersands of its style sheets escaped; the file itself where there are none. Lines stay lines.</summary>
    /// <param name="file">Bytes in UTF-8.</param>
    public static ReadOnlyMemory<byte> Escape(ReadOnlyMemory<byte> file)
    {
        var bytes = file.Span;
        if (bytes.IndexOf((byte)'&') < 0 || bytes.IndexOf("<style"u8) < 0)
        {
            return file;
        }
        MemoryStream? written = null;
        var done = 0;
        for (var at = 0; Find(bytes, "<style"u8, at) is >= 0 and var style;)
        {
            var begin = Find(bytes, ">"u8, style);
            var end = begin < 0 ? -1 : Find(bytes, "</style"u8, begin);
            if (end < 0)
            {
                break;
            }
            for (var i = begin; i < end; i++)
            {
                if (bytes[i..end].StartsWith("<![CDATA["u8))
                {
                    i = Find(bytes[..end], "]]>"u8, i) is >= 0 and var closed ? closed : end;
                }
                else if (bytes[i] == '&' && !IsEntity(bytes[i..end]))
                {
                    written ??= new(bytes.Length + 64);
                    written.Write(bytes[done..i]);
                    written.Write(Escaped);
                    done = i + 1;
                }
            }
            at = end;
        }
        if (written is null)
        {
            return file;
        }
        written.Write(bytes[done..]);
        return written.ToArray();
    }

    private static int Find(ReadOnlySpan<byte> bytes, ReadOnlySpan<byte> what, int from) => bytes[from..].IndexOf(what) is >= 0 and var found ? from + found : -1;

    // “&amp;”, “&#38;”, “&#x26;”: a name or number and a semicolon, with nothing between.
    private static bool IsEntity(ReadOnlySpan<byte> from)
    {
        // No further than a name is long: a file may hold millions of ampersands.
        var end = from[..Math.Min(LongestName, from.Length)].IndexOf((byte)';');
        return end > 1 && Entity().IsMatch(Encoding.UTF8.GetString(from[1..end]));
    }

    [GeneratedRegex("^(#[0-9]+|#x[0-9a-fA-F]+|[A-Za-z_][A-Za-z0-9_.-]*)$")]
    private static partial Regex Entity();
}
