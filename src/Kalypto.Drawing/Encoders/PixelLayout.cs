using System.Buffers.Binary;

namespace Kalypto.Drawing.Encoders;

/// <summary>One way to write pixels in a PNG without losing anything: colour type, bit depth, palette.</summary>
/// <param name="ColourType">0 gray, 2 RGB, 3 palette, 4 gray with alpha, 6 RGBA (PNG specification, 11.2.2).</param>
/// <param name="BitDepth">1, 2, 4 or 8.</param>
/// <param name="Palette">RGBA colours of colour type 3; else empty.</param>
internal sealed record PixelLayout(int ColourType, int BitDepth, uint[] Palette)
{
    private const int MostColours = 256;

    /// <summary>Bytes from a byte to the one of the pixel before it, at least 1.</summary>
    public int Step => Math.Max(1, Channels * BitDepth / 8);

    private int Channels => ColourType switch { 0 or 3 => 1, 4 => 2, 2 => 3, _ => 4 };

    /// <summary>Bytes in a row, without its filter byte.</summary>
    public int RowBytes(int width) => (width * Channels * BitDepth + 7) / 8;

    /// <summary>The layouts worth trying for these pixels, all lossless.</summary>
    public static IEnumerable<PixelLayout> For(ReadOnlySpan<byte> rgba)
    {
        bool opaque = true, gray = true;
        var depth = 1;
        var colours = new Dictionary<uint, int>(MostColours + 1);
        var last = 0u;
        for (var i = 0; i < rgba.Length; i += 4)
        {
            var pixel = BinaryPrimitives.ReadUInt32BigEndian(rgba[i..]);
            if (pixel == last && i > 0)
            {
                continue;
            }
            last = pixel;
            opaque &= (pixel & 0xff) == 0xff;
            gray &= rgba[i] == rgba[i + 1] && rgba[i] == rgba[i + 2];
            depth = Math.Max(depth, DepthOf(rgba[i]));
            if (colours.Count <= MostColours)
            {
                colours.TryAdd(pixel, 0);
            }
        }
        var layouts = new List<PixelLayout>
        {
            gray ? new(opaque ? 0 : 4, opaque ? depth : 8, []) : new(opaque ? 2 : 6, 8, []),
        };
        if (colours.Count <= MostColours)
        {
            // Transparent ones first: the list of alphas may then stop after the last of them.
            uint[] palette = [.. colours.Keys.OrderBy(c => (c & 0xff) == 0xff).ThenBy(c => c)];
            layouts.Add(new(3, palette.Length switch { <= 2 => 1, <= 4 => 2, <= 16 => 4, _ => 8 }, palette));
        }
        return layouts;
    }

    /// <summary>Writes one row of RGBA pixels in this layout.</summary>
    public void Pack(ReadOnlySpan<byte> rgba, Span<byte> row, Dictionary<uint, int>? indexes)
    {
        var pixels = rgba.Length / 4;
        row.Clear();
        for (var x = 0; x < pixels; x++)
        {
            var p = rgba.Slice(x * 4, 4);
            switch (ColourType)
            {
                case 0 when BitDepth == 8:
                    row[x] = p[0];
                    break;
                case 0:
                    Bits(row, x, p[0] >> (8 - BitDepth));
                    break;
                case 2:
                    p[..3].CopyTo(row[(x * 3)..]);
                    break;
                case 3:
                    Bits(row, x, indexes![BinaryPrimitives.ReadUInt32BigEndian(p)]);
                    break;
                case 4:
                    row[x * 2] = p[0];
                    row[x * 2 + 1] = p[3];
                    break;
                default:
                    p.CopyTo(row[(x * 4)..]);
                    break;
            }
        }
    }

    private void Bits(Span<byte> row, int x, int value)
    {
        var bit = x * BitDepth;
        row[bit / 8] |= (byte)(value << (8 - BitDepth - bit % 8));
    }

    /// <summary>The fewest bits that hold a gray value exactly.</summary>
    private static int DepthOf(byte gray) => gray switch
    {
        0 or 255 => 1,
        85 or 170 => 2,
        _ when gray % 17 == 0 => 4,
        _ => 8,
    };
}
