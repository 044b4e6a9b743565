using System.Buffers.Binary;
using System.IO.Compression;
using CsCheck;

namespace Kalypto.Drawing.Tests;

/// <summary>What the exact engine drew, several times larger, read and averaged.</summary>
public class AveragedTests
{
    [Fact]
    public void A_pixel_is_the_mean_of_all_that_lies_in_it_whatever_filters_its_rows_have() => Gen.Select(Gen.Int[1, 40], Gen.Int[1, 9], Gen.Int[1, 5], Gen.Bool, Gen.Int).Sample((width, height, times, hasAlpha, seed) =>
    {
        // Many of the larger pixels are all the same, as in a drawing.
        var random = new Random(seed);
        var flat = Enumerable.Range(0, width * height).Select(_ => (byte)random.Next(256)).ToArray();
        var (wide, tall, step) = (width * times, height * times, hasAlpha ? 4 : 3);
        var large = new byte[wide * tall * step];
        for (var i = 0; i < large.Length; i++)
        {
            var (x, y, channel) = (i / step % wide, i / step / wide, i % step);
            var value = flat[y / times * width + x / times];
            large[i] = channel == 3 ? (byte)255 : value % 3 == 0 ? value : (byte)random.Next(256);
        }
        using var canvas = Canvas.Average(Png(wide, tall, hasAlpha, Filtered(large, wide * step, step, random)), width, height);
        var rgba = canvas.ToRgba().ToArray();
        for (var i = 0; i < rgba.Length; i++)
        {
            var (x, y, channel) = (i / 4 % width, i / 4 / width, i % 4);
            var sum = channel == 3 ? 255 * times * times : Enumerable.Range(0, times * times).Sum(n => large[((y * times + n / times) * wide + x * times + n % times) * step + channel]);
            Assert.Equal((int)Math.Round((double)sum / (times * times), MidpointRounding.AwayFromZero), rgba[i]);
        }
    }, iter: 300);

    [Fact]
    public void Half_of_a_pixel_is_half_of_its_cover_in_the_same_colour()
    {
        byte[] none = [9, 9, 9, 0], red = [255, 0, 0, 255];
        byte[] row = [0, .. none, .. none, .. red, .. red, .. red, .. red, .. red, .. red];
        using var canvas = Canvas.Average(Png(8, 4, hasAlpha: true, [.. row, .. row, .. row, .. row]), 2, 1);
        Assert.Equal([255, 0, 0, 128, 255, 0, 0, 255], canvas.ToRgba().ToArray());
    }

    [Fact]
    public void What_is_no_such_picture_is_told()
    {
        var rows = Enumerable.Repeat((byte)0, 8 * 33).ToArray();
        var file = Png(8, 8, hasAlpha: true, rows);
        Assert.Contains("no PNG", Failure("GIF89a"u8.ToArray(), 8));
        Assert.Contains("no PNG", Failure(file[..20], 8));
        Assert.Contains("8 x 8 px for 3 x 3", Failure(file, 3));
        Assert.Contains("cut off", Failure(Png(8, 8, hasAlpha: true, rows[..^1]), 8));
        rows[33] = 9;
        Assert.Contains("filter 9", Failure(Png(8, 8, hasAlpha: true, rows), 8));

        static string Failure(byte[] file, int side) => Assert.Throws<RenderingFailedException>(() => Canvas.Average(file, side, side)).Message;
    }

    // PNG, third edition, 9: a filter for each row.
    private static byte[] Filtered(byte[] pixels, int length, int step, Random random)
    {
        var rows = new MemoryStream();
        for (var start = 0; start < pixels.Length; start += length)
        {
            var filter = random.Next(5);
            rows.WriteByte((byte)filter);
            for (var i = 0; i < length; i++)
            {
                int left = i < step ? 0 : pixels[start + i - step], up = start == 0 ? 0 : pixels[start - length + i], corner = i < step || start == 0 ? 0 : pixels[start - length + i - step];
                var nearest = new[] { left, up, corner }.MinBy(g => Math.Abs(left + up - corner - g));
                rows.WriteByte((byte)(pixels[start + i] - new[] { 0, left, up, (left + up) / 2, nearest }[filter]));
            }
        }
        return rows.ToArray();
    }

    private static byte[] Png(int width, int height, bool hasAlpha, byte[] rows)
    {
        var packed = new MemoryStream();
        using (var zlib = new ZLibStream(packed, CompressionLevel.Fastest, leaveOpen: true))
        {
            zlib.Write(rows);
        }
        var head = new byte[13];
        BinaryPrimitives.WriteInt32BigEndian(head, width);
        BinaryPrimitives.WriteInt32BigEndian(head.AsSpan(4), height);
        (head[8], head[9]) = (8, hasAlpha ? (byte)6 : (byte)2);
        // The data in several chunks, as of larger pictures.
        return [0x89, .. "PNG\r\n\x1a\n"u8, .. Chunk("IHDR", head), .. Chunk("IDAT", packed.ToArray()[..3]), .. Chunk("IDAT", packed.ToArray()[3..]), .. Chunk("IEND", [])];
    }

    private static byte[] Chunk(string name, byte[] data) => [(byte)(data.Length >> 24), (byte)(data.Length >> 16), (byte)(data.Length >> 8), (byte)data.Length, .. System.Text.Encoding.ASCII.GetBytes(name), .. data, 0, 0, 0, 0];
}
