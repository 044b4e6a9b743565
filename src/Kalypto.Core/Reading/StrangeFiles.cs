namespace Kalypto.Core.Reading;

/// <summary>Says of files that are no drawings what they are, by their first bytes.</summary>
internal static class StrangeFiles
{
    private const int Looked = 512;

    /// <summary>What the file is, as the end of a sentence; null for what may be XML.</summary>
    public static string? NameOf(ReadOnlySpan<byte> file)
    {
        var start = file[..Math.Min(file.Length, Looked)];
        // A mark of the order of bytes stands before letters of two bytes, which XML may have.
        if (start.StartsWith((byte[])[0xfe, 0xff]) || start.StartsWith((byte[])[0xff, 0xfe]))
        {
            return null;
        }
        var text = start.StartsWith((byte[])[0xef, 0xbb, 0xbf]) ? start[3..] : start;
        text = text.TrimStart(" \t\r\n"u8);
        return text.StartsWith("<"u8) ? null
            : start.StartsWith("%!PS"u8) ? "PostScript"
            : start.StartsWith("II*\0"u8) || start.StartsWith("MM\0*"u8) ? "a TIFF picture"
            : start.StartsWith("BM"u8) && start.Contains((byte)0) ? "a BMP picture"
            : start.Length > 12 && start[4..8].SequenceEqual("ftyp"u8) ? "a film or a picture of a camera"
            : start.StartsWith((byte[])[0, 0, 1, 0]) ? "an icon file"
            : start.StartsWith("Rar!"u8) || start.StartsWith("7z"u8) ? "an archive that is no zip"
            : start.StartsWith("{\\rtf"u8) ? "a formatted text"
            : text.IsEmpty ? "nothing but spaces"
            : start.ContainsAnyInRange((byte)0, (byte)8) ? "of a sort that is not known here"
            : text[0] is (byte)'{' or (byte)'[' ? "JSON" : "plain text";
    }
}
