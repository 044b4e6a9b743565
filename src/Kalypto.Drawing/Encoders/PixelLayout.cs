using System.Buffers.Binary;
using System.Runtime.InteropServices;

namespace Kalypto.Drawing.Encoders;

/// <summary>One way to write pixels in a PNG without losing anything: colour type, bit depth, palette.</summary>
/// <param name="ColourType">0 gray, 2 RGB, 3 palette, 4 gray with alpha, 6 RGBA (PNG specification, 11.2.2).</param>
/// <param name="BitDepth">1, 2, 4 or 8.</param>
/// <param name="Palette">The colours of colour type 3; else null.</param>
internal sealed record PixelLayout(int ColourType, int BitDepth, Palette? Palette)
{
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
        var colours = new Dictionary<uint, int>(Palette.Most + 1);
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
            if (colours.Count <= Palette.Most)
            {
                colours.TryAdd(pixel, 0);
            }
        }
        var layouts = new List<PixelLayout>
        {
            gray ? new(opaque ? 0 : 4, opaque ? depth : 8, null) : new(opaque ? 2 : 6, 8, null),
        };
        if (colours.Count <= Palette.Most)
        {
            // Transparent ones first: the list of alphas may then stop after the last of them.
            uint[] colourList = [.. colours.Keys.OrderBy(c => (c & 0xff) == 0xff).ThenBy(c => c)];
            layouts.Add(new(3, colourList.Length switch { <= 2 => 1, <= 4 => 2, <= 16 => 4, _ => 8 }, new(colourList)));
        }
        return layouts;
    }

    /// <summary>Writes one row of RGBA pixels in this layout.</summary>
    public void Pack(ReadOnlySpan<byte> rgba, Span<byte> row)
    {
        var pixels = MemoryMarshal.Cast<byte, uint>(rgba);
        switch (ColourType)
        {
            case 2:
                for (int i = 0, to = 0; i < rgba.Length; i += 4, to += 3)
                {
                    (row[to + 2], row[to + 1], row[to]) = (rgba[i + 2], rgba[i + 1], rgba[i]);
                }
                break;
            case 4:
                for (int i = 0, to = 0; i < rgba.Length; i += 4, to += 2)
                {
                    (row[to + 1], row[to]) = (rgba[i + 3], rgba[i]);
                }
                break;
            case 6:
                rgba.CopyTo(row);
                break;
            default:
                row.Clear();
                var (last, value) = (~pixels[0], 0);
                for (var x = 0; x < pixels.Length; x++)
                {
                    // Most pixels have the colour of the one before.
                    if (pixels[x] != last)
                    {
                        last = pixels[x];
                        value = Palette is null ? rgba[x * 4] >> (8 - BitDepth) : Palette.IndexOf(BinaryPrimitives.ReadUInt32BigEndian(rgba[(x * 4)..]));
                    }
                    var bit = x * BitDepth;
                    row[bit / 8] |= (byte)(value << (8 - BitDepth - bit % 8));
                }
                break;
        }
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
