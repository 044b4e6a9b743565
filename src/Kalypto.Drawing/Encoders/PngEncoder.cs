using System.Buffers.Binary;
using System.IO.Compression;
using System.IO.Hashing;
using Kalypto.Core.Designs;
using Kalypto.Core.Rendering;
using Kalypto.Drawing.Native;

namespace Kalypto.Drawing.Encoders;

/// <summary>
/// Writes PNG files as small as they get without losing a pixel: the smallest layout, and the best of six ways to filter
/// rows (PNG specification, second edition). Equal pixels give equal bytes.
/// </summary>
public static class PngEncoder
{
    /// <summary>The name and version of this encoder; part of every content key.</summary>
    public const string Version = "png 3";

    // Of all layouts and filters these many that a quick trial says are best are compressed as hard as it goes; of icons all, for there
    // the trial is wrong more often, and the time is none.
    private const int Tried = 3;
    private const int TryAllPixels = 40_000;

    // Beyond this many pixels only the best of the trial.
    private const int TryPixels = 1_500_000;
    private const int Adaptive = 5;

    // What stands around the pixels of a file.
    private const int Around = 57;

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
            return File(rgba, width, height, quick, quick.BitDepth < 8 ? 0 : Adaptive, CompressionLevel.Fastest);
        }
        var isSmall = width * height <= TryPixels;
        var trials = new List<(PixelLayout Layout, int Filter, long Length)>();
        foreach (var layout in isSmall ? PixelLayout.For(rgba) : PixelLayout.For(rgba).TakeLast(1))
        {
            trials.AddRange(Try(rgba, width, height, layout).Select((length, filter) => (layout, filter, length)));
        }
        byte[]? best = null;
        foreach (var (layout, filter, _) in trials.OrderBy(t => t.Length).Take(width * height <= TryAllPixels ? trials.Count : isSmall ? Tried : 1))
        {
            var file = File(rgba, width, height, layout, filter, isSmall ? null : CompressionLevel.SmallestSize);
            best = best is null || file.Length < best.Length ? file : best;
        }
        return best!;
    }

    /// <summary>How long a file of the best effort would be, in bytes, nearly: of two ways to filter rows.</summary>
    public static int Length(ReadOnlySpan<byte> rgba, int width, int height)
    {
        var least = int.MaxValue;
        foreach (var layout in PixelLayout.For(rgba))
        {
            foreach (var filter in layout.Palette is null ? new[] { 0, Adaptive } : [0])
            {
                using var whole = new MemoryStream();
                Filter(rgba, width, height, layout, filter, whole);
                least = Math.Min(least, Deflate.Zlib(whole.GetBuffer().AsSpan(0, (int)whole.Length), isHard: false).Length + (layout.Palette is { List.Length: var colours } ? colours * 4 : 0));
            }
        }
        return least + Around;
    }

    /// <summary>How long each filter would make the pixels, by a quick trial of all at once.</summary>
    private static long[] Try(ReadOnlySpan<byte> rgba, int width, int height, PixelLayout layout)
    {
        var counts = Enumerable.Range(0, Adaptive + 1).Select(_ => new CountingStream()).ToArray();
        var streams = counts.Select(c => new ZLibStream(c, CompressionLevel.Fastest)).ToArray();
        var rows = new Rows(layout, width);
        var lines = Enumerable.Range(0, Adaptive).Select(_ => new byte[rows.LineBytes]).ToArray();
        for (var y = 0; y < height; y++)
        {
            rows.Next(rgba.Slice(y * width * 4, width * 4));
            var (least, best) = (long.MaxValue, 0);
            for (var filter = 0; filter < Adaptive; filter++)
            {
                rows.Filter(filter, lines[filter]);
                var cost = RowFilters.Cost(lines[filter]);
                streams[filter].Write(lines[filter]);
                (least, best) = cost < least ? (cost, filter) : (least, best);
            }
            streams[Adaptive].Write(lines[best]);
        }
        return [.. streams.Zip(counts, (stream, count) =>
        {
            stream.Dispose();
            return count.Length;
        })];
    }

    // Without a level as hard as it goes, for which all of it must lie in memory.
    private static void Compress(ReadOnlySpan<byte> rgba, int width, int height, PixelLayout layout, int filter, CompressionLevel? level, Stream output)
    {
        if (level is { } quick)
        {
            using var zlib = new ZLibStream(output, quick, leaveOpen: true);
            Filter(rgba, width, height, layout, filter, zlib);
            return;
        }
        using var whole = new MemoryStream();
        Filter(rgba, width, height, layout, filter, whole);
        output.Write(Deflate.Zlib(whole.GetBuffer().AsSpan(0, (int)whole.Length)));
    }

    private static void Filter(ReadOnlySpan<byte> rgba, int width, int height, PixelLayout layout, int filter, Stream output)
    {
        var rows = new Rows(layout, width);
        var (line, trial) = (new byte[rows.LineBytes], new byte[rows.LineBytes]);
        for (var y = 0; y < height; y++)
        {
            rows.Next(rgba.Slice(y * width * 4, width * 4));
            if (filter < Adaptive)
            {
                rows.Filter(filter, line);
            }
            else
            {
                var least = long.MaxValue;
                for (var f = 0; f < Adaptive; f++)
                {
                    rows.Filter(f, trial);
                    var cost = RowFilters.Cost(trial);
                    if (cost < least)
                    {
                        least = cost;
                        (line, trial) = (trial, line);
                    }
                }
            }
            output.Write(line);
        }
    }

    private static byte[] File(ReadOnlySpan<byte> rgba, int width, int height, PixelLayout layout, int filter, CompressionLevel? level)
    {
        using var file = new MemoryStream();
        file.Write(PngChunks.Signature);
        Span<byte> head = stackalloc byte[13];
        BinaryPrimitives.WriteInt32BigEndian(head, width);
        BinaryPrimitives.WriteInt32BigEndian(head[4..], height);
        head[8] = (byte)layout.BitDepth;
        head[9] = (byte)layout.ColourType;
        head[10..].Clear();
        Chunk(file, "IHDR"u8, head);
        if (layout.Palette is { List: var colours })
        {
            Chunk(file, "PLTE"u8, [.. colours.SelectMany(c => new[] { (byte)(c >> 24), (byte)(c >> 16), (byte)(c >> 8) })]);
            byte[] alphas = [.. colours.Select(c => (byte)c).TakeWhile(a => a != 255)];
            if (alphas.Length > 0)
            {
                Chunk(file, "tRNS"u8, alphas);
            }
        }
        // The pixels go straight into the file; their length and sum are known behind them.
        var start = (int)file.Position;
        file.Write("\0\0\0\0IDAT"u8);
        Compress(rgba, width, height, layout, filter, level, file);
        Close(file, start);
        Chunk(file, "IEND"u8, []);
        return file.ToArray();
    }

    internal static void Chunk(MemoryStream file, ReadOnlySpan<byte> type, ReadOnlySpan<byte> data)
    {
        var start = (int)file.Position;
        file.Write("\0\0\0\0"u8);
        file.Write(type);
        file.Write(data);
        Close(file, start);
    }

    /// <summary>Writes the length of a chunk before it and its sum behind it.</summary>
    private static void Close(MemoryStream file, int start)
    {
        Span<byte> sum = stackalloc byte[4];
        var chunk = file.GetBuffer().AsSpan(start, (int)file.Position - start);
        BinaryPrimitives.WriteInt32BigEndian(chunk, chunk.Length - 8);
        BinaryPrimitives.WriteUInt32BigEndian(sum, Crc32.HashToUInt32(chunk[4..]));
        file.Write(sum);
    }
}
