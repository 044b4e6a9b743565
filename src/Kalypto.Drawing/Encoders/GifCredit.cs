using System.Text;
using Kalypto.Core.Formats;

namespace Kalypto.Drawing.Encoders;

/// <summary>Writes credit lines into a GIF as a comment (GIF 89a, 24) and as XMP in an application extension (ISO 16684-3).</summary>
internal static class GifCredit
{
    private const int Screen = 13;

    public static byte[] Add(byte[] gif, CreditLines credit)
    {
        if (credit.IsEmpty)
        {
            return gif;
        }
        // Behind the screen and its table of colours; the third byte of the flags says how long that is.
        var table = (gif[10] & 0x80) != 0 ? 3 << ((gif[10] & 7) + 1) : 0;
        using var file = new MemoryStream(gif.Length + 2_000);
        file.Write(gif.AsSpan(0, Screen + table));
        file.Write([0x21, 0xfe]);
        foreach (var block in Encoding.UTF8.GetBytes(credit.ToString()).Chunk(255))
        {
            file.WriteByte((byte)block.Length);
            file.Write(block);
        }
        file.WriteByte(0);
        file.Write([0x21, 0xff, 11, .. "XMP DataXMP"u8]);
        file.Write(Encoding.UTF8.GetBytes(credit.ToXmp()));
        // A trailer that ends the block wherever a reader that knows no XMP happens to land in it.
        file.WriteByte(1);
        for (var i = 255; i >= 0; i--)
        {
            file.WriteByte((byte)i);
        }
        file.WriteByte(0);
        file.Write(gif.AsSpan(Screen + table));
        return file.ToArray();
    }
}
