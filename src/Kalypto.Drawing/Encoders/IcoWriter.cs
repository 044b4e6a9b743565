using System.Buffers.Binary;

namespace Kalypto.Drawing.Encoders;

/// <summary>Puts pictures together into an ICO: small ones as bitmaps of 32 bits, which every reader knows, that of 256 px as PNG (the format of .ico files since Windows Vista).</summary>
internal static class IcoWriter
{
    private const int LargestBitmap = 128;
    private const int BitmapHead = 40;
    private static readonly int[] OfSites = [16, 32, 48];
    private static readonly int[] OfApps = [16, 20, 24, 32, 40, 48, 64, 256];

    /// <summary>The sides that a file holds, in px: those of a site's icon, or all up to 256 for an app.</summary>
    /// <param name="largest">The side that is asked for.</param>
    public static int[] SidesOf(int largest) => largest >= 256 ? OfApps : OfSites;

    /// <summary>The entry of a picture: PNG in an icon of a site and where it is large, else a bitmap.</summary>
    /// <param name="side">px.</param>
    /// <param name="largest">The side that is asked for.</param>
    /// <param name="rgba">Its pixels, not multiplied.</param>
    /// <param name="png">Encodes it as PNG.</param>
    public static byte[] Entry(int side, int largest, ReadOnlySpan<byte> rgba, Func<byte[]> png) => IsBitmap(side, largest) ? Bitmap(side, rgba) : png();

    /// <summary>True for a picture that is a bitmap in its file.</summary>
    public static bool IsBitmap(int side, int largest) => largest >= 256 && side <= LargestBitmap;

    /// <summary>The file.</summary>
    public static byte[] Write(IReadOnlyList<(int Side, byte[] Content)> entries)
    {
        var head = new byte[6 + 16 * entries.Count];
        BinaryPrimitives.WriteUInt16LittleEndian(head.AsSpan(2), 1);
        BinaryPrimitives.WriteUInt16LittleEndian(head.AsSpan(4), (ushort)entries.Count);
        var at = head.Length;
        for (var i = 0; i < entries.Count; i++)
        {
            var entry = head.AsSpan(6 + 16 * i, 16);
            // 0 stands for 256.
            entry[0] = entry[1] = (byte)entries[i].Side;
            BinaryPrimitives.WriteUInt16LittleEndian(entry[4..], 1);
            BinaryPrimitives.WriteUInt16LittleEndian(entry[6..], 32);
            BinaryPrimitives.WriteInt32LittleEndian(entry[8..], entries[i].Content.Length);
            BinaryPrimitives.WriteInt32LittleEndian(entry[12..], at);
            at += entries[i].Content.Length;
        }
        return [.. head, .. entries.SelectMany(e => e.Content)];
    }

    // BITMAPINFOHEADER of twice the height: the colours from the bottom up, then a mask of one bit a pixel, whose rows fill 32 bits.
    private static byte[] Bitmap(int side, ReadOnlySpan<byte> rgba)
    {
        var maskRow = (side + 31) / 32 * 4;
        var bitmap = new byte[BitmapHead + side * side * 4 + maskRow * side];
        BinaryPrimitives.WriteInt32LittleEndian(bitmap, BitmapHead);
        BinaryPrimitives.WriteInt32LittleEndian(bitmap.AsSpan(4), side);
        BinaryPrimitives.WriteInt32LittleEndian(bitmap.AsSpan(8), 2 * side);
        BinaryPrimitives.WriteUInt16LittleEndian(bitmap.AsSpan(12), 1);
        BinaryPrimitives.WriteUInt16LittleEndian(bitmap.AsSpan(14), 32);
        BinaryPrimitives.WriteInt32LittleEndian(bitmap.AsSpan(20), side * side * 4 + maskRow * side);
        for (var y = 0; y < side; y++)
        {
            for (var x = 0; x < side; x++)
            {
                var from = rgba[(((side - 1 - y) * side + x) * 4)..];
                var to = bitmap.AsSpan(BitmapHead + (y * side + x) * 4);
                (to[0], to[1], to[2], to[3]) = (from[2], from[1], from[0], from[3]);
                if (from[3] == 0)
                {
                    bitmap[BitmapHead + side * side * 4 + y * maskRow + x / 8] |= (byte)(0x80 >> (x % 8));
                }
            }
        }
        return bitmap;
    }
}
