using System.Text;
using Kalypto.Core.Formats;

namespace Kalypto.Drawing.Encoders;

/// <summary>Writes credit lines into a PNG as international text (PNG, third edition, 11.3.3): the keywords of the standard, and XMP.</summary>
internal static class PngCredit
{
    public static byte[] Add(byte[] png, CreditLines credit)
    {
        if (credit.IsEmpty)
        {
            return png;
        }
        using var file = new MemoryStream(png.Length + 2_000);
        file.Write(png.AsSpan(0, FileHeads.AfterPngHead));
        foreach (var (keyword, text) in new[] { ("Copyright", credit.Copyright), ("Author", credit.Author), ("Source", credit.Contact), ("XML:com.adobe.xmp", credit.ToXmp()) })
        {
            if (text.Length > 0)
            {
                // Keyword, not compressed, no language, no translated keyword.
                PngEncoder.Chunk(file, "iTXt"u8, [.. Encoding.Latin1.GetBytes(keyword), 0, 0, 0, 0, 0, .. Encoding.UTF8.GetBytes(text)]);
            }
        }
        file.Write(png.AsSpan(FileHeads.AfterPngHead));
        return file.ToArray();
    }
}
