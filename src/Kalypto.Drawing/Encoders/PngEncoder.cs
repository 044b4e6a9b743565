using System.Buffers.Binary;
using System.IO.Compression;
using System.IO.Hashing;
using Kalypto.Core.Rendering;

namespace Kalypto.Drawing.Encoders;

/// <summary>
/// Writes PNG files as small as they get without losing a pixel: the smallest layout, and the best of six ways to filter
/// rows (PNG specification, second edition). Equal pixels give equal bytes.
/// </summary>
public static class PngEncoder
{
    /// <summary>The name and version of this encoder; part of every content key.</summary>
    public const string Version = "png 1";

    // Up to here every layout and filter is tried; beyond it only what a quick trial says is best.
    private const int TryAllPixels = 1_500_000;
    private const int Adaptive = 5;

    /// <summary>Encodes pixels.</summary>
    /// <param name="rgba">RGBA, not premultiplied, rows without gaps.</param>
    /// <param name="width">px.</param>
    /// <param name="height">px.</param>
    /// <param name="effort">How hard to try.</param>
    public static byte[] Encode(ReadOnlySpan<byte> rgba, int width, int height, Effort effort)
    {
        if (effort == Effort.Quick)
        {
            var quick = PixelLayout.For(rgba).First();
            return File(rgba, width, height, quick, Compress(rgba, width, height, quick, quick.BitDepth < 8 ? 0 : Adaptive, CompressionLevel.Fastest));
        }
        byte[]? best = null;
        var all = width * height <= TryAllPixels;
        foreach (var layout in all ? PixelLayout.For(rgba) : PixelLayout.For(rgba).TakeLast(1))
        {
            foreach (var filter in all ? Enumerable.Range(0, 6) : [Likely(rgba, width, height, layout)])
            {
                var file = File(rgba, width, height, layout, Compress(rgba, width, height, layout, filter, CompressionLevel.SmallestSize));
                best = best is null || file.Length < best.Length ? file : best;
            }
        }
        return best!;
    }

    /// <summary>The filter that comes out smallest when compressed quickly.</summary>
    private static int Likely(ReadOnlySpan<byte> rgba, int width, int height, PixelLayout layout)
    {
        var (likely, least) = (0, int.MaxValue);
        for (var filter = 0; filter <= Adaptive; filter++)
        {
            var length = Compress(rgba, width, height, layout, filter, CompressionLevel.Fastest).Length;
            (likely, least) = length < least ? (filter, length) : (likely, least);
        }
        return likely;
    }

    private static byte[] Compress(ReadOnlySpan<byte> rgba, int width, int height, PixelLayout layout, int filter, CompressionLevel level)
    {
        var length = layout.RowBytes(width);
        var (row, above, line, trial) = (new byte[length], new byte[length], new byte[length + 1], new byte[length + 1]);
        Dictionary<uint, int>? indexes = layout.ColourType == 3 ? [] : null;
        for (var i = 0; i < layout.Palette.Length; i++)
        {
            indexes![layout.Palette[i]] = i;
        }
        using var output = new MemoryStream();
        using (var zlib = new ZLibStream(output, level, leaveOpen: true))
        {
            for (var y = 0; y < height; y++)
            {
                layout.Pack(rgba.Slice(y * width * 4, width * 4), row, indexes);
                if (filter < Adaptive)
                {
                    RowFilters.Apply(filter, row, above, layout.Step, line);
                    zlib.Write(line);
                }
                else
                {
                    var least = long.MaxValue;
                    for (var f = 0; f < Adaptive; f++)
                    {
                        RowFilters.Apply(f, row, above, layout.Step, trial);
                        var cost = RowFilters.Cost(trial);
                        if (cost < least)
                        {
                            least = cost;
                            (line, trial) = (trial, line);
                        }
                    }
                    zlib.Write(line);
                }
                (row, above) = (above, row);
            }
        }
        return output.ToArray();
    }

    private static byte[] File(ReadOnlySpan<byte> rgba, int width, int height, PixelLayout layout, byte[] data)
    {
        using var file = new MemoryStream(data.Length + 1_200);
        file.Write([0x89, (byte)'P', (byte)'N', (byte)'G', 0x0d, 0x0a, 0x1a, 0x0a]);
        Span<byte> head = stackalloc byte[13];
        BinaryPrimitives.WriteInt32BigEndian(head, width);
        BinaryPrimitives.WriteInt32BigEndian(head[4..], height);
        head[8] = (byte)layout.BitDepth;
        head[9] = (byte)layout.ColourType;
        head[10..].Clear();
        Chunk(file, "IHDR"u8, head);
        if (layout.ColourType == 3)
        {
            Chunk(file, "PLTE"u8, [.. layout.Palette.SelectMany(c => new[] { (byte)(c >> 24), (byte)(c >> 16), (byte)(c >> 8) })]);
            byte[] alphas = [.. layout.Palette.Select(c => (byte)c).TakeWhile(a => a != 255)];
            if (alphas.Length > 0)
            {
                Chunk(file, "tRNS"u8, alphas);
            }
        }
        Chunk(file, "IDAT"u8, data);
        Chunk(file, "IEND"u8, []);
        return file.ToArray();
    }

    internal static void Chunk(MemoryStream file, ReadOnlySpan<byte> type, ReadOnlySpan<byte> data)
    {
        Span<byte> number = stackalloc byte[4];
        BinaryPrimitives.WriteInt32BigEndian(number, data.Length);
        file.Write(number);
        file.Write(type);
        file.Write(data);
        var crc = new Crc32();
        crc.Append(type);
        crc.Append(data);
        BinaryPrimitives.WriteUInt32BigEndian(number, crc.GetCurrentHashAsUInt32());
        file.Write(number);
    }
}
