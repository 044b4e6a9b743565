using System.Text;

namespace Kalypto.Core.Reading;

/// <summary>
/// Nesting in style sheets (CSS Nesting 1) written as people write it in a page, <c>&amp;:hover</c>: in XML an ampersand begins an
/// entity, so that the file is not well-formed. It is read as what was meant.
/// </summary>
internal static class BareAmpersands
{
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
        var end = from.IndexOf((byte)';');
        return end is > 1 and <= 32 && Encoding.UTF8.GetString(from[1..end]) is var name && name.TrimStart('#') is { Length: > 0 } word && word.All(char.IsAsciiLetterOrDigit) && (name[0] == '#' || char.IsAsciiLetter(name[0]));
    }
}
