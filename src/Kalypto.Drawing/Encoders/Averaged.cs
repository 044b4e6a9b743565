using System.Runtime.InteropServices;
using System.Runtime.Intrinsics;
using Kalypto.Drawing.Native;

namespace Kalypto.Drawing.Encoders;

/// <summary>Averages a picture that was drawn several times larger: what a pixel shows is the mean of all that lies in it, weighed by how much covers it.</summary>
internal static class Averaged
{
    /// <summary>Decodes and averages.</summary>
    /// <param name="png">A PNG of a whole multiple of the size.</param>
    /// <param name="surface">Where it goes, in the pixels of cairo: BGRA, premultiplied.</param>
    /// <exception cref="RenderingFailedException">It is no such picture.</exception>
    /// <remarks>Of a picture in Display P3 a second one may lie below, for colours that the first lost.</remarks>
    public static void Into(byte[] png, Cairo.Surface surface)
    {
        using var rows = new PngRows(png);
        var (width, height) = (surface.Width, surface.Height);
        var times = rows.Width / width;
        var pictures = times < 1 ? 0 : rows.Height / (height * times);
        if (pictures is not (1 or 2) || rows.Width != width * times || rows.Height != height * times * pictures)
        {
            throw new RenderingFailedException($"The exact engine drew {rows.Width} x {rows.Height} px for {width} x {height}.");
        }
        var pixels = surface.Pixels();
        Average(rows, pixels, surface.Stride, width, height, times);
        if (pictures == 2)
        {
            var second = new byte[pixels.Length];
            Average(rows, second, surface.Stride, width, height, times);
            BeyondSrgb.Restore(pixels, second);
        }
    }

    /// <summary>Averages.</summary>
    /// <param name="larger">The picture.</param>
    /// <param name="surface">Where it goes.</param>
    /// <param name="times">How many times larger the picture is.</param>
    public static void Into(Cairo.Surface larger, Cairo.Surface surface, int times)
    {
        var from = larger.Pixels();
        var to = surface.Pixels();
        var count = times * times;
        for (var y = 0; y < surface.Height; y++)
        {
            var row = to.Slice(y * surface.Stride, surface.Width * 4);
            for (var i = 0; i < row.Length; i++)
            {
                // Channel by channel: in the pixels of cairo each is multiplied by what covers it already.
                var sum = count / 2;
                for (var dy = 0; dy < times; dy++)
                {
                    var at = (y * times + dy) * larger.Stride + i / 4 * times * 4 + i % 4;
                    for (var dx = 0; dx < times; dx++)
                    {
                        sum += from[at + dx * 4];
                    }
                }
                row[i] = (byte)(sum / count);
            }
        }
    }

    private static void Average(PngRows rows, Span<byte> pixels, int stride, int width, int height, int times)
    {
        var length = width * times * 4;
        var strip = new byte[length * times];
        for (var y = 0; y < height; y++)
        {
            for (var row = 0; row < times; row++)
            {
                rows.Read(strip.AsSpan(row * length, length));
            }
            Average(strip, pixels.Slice(y * stride, width * 4), width, times);
        }
    }

    private static void Average(ReadOnlySpan<byte> strip, Span<byte> pixels, int width, int times)
    {
        var (row, count) = (width * times * 4, times * times);
        var half = 255 * count / 2;
        for (var x = 0; x < width; x++)
        {
            int r = 0, g = 0, b = 0, a = 0;
            if (times == Vector128<uint>.Count && IsFlat(strip, x, row))
            {
                var at = x * times * 4;
                a = strip[at + 3] * count;
                (r, g, b) = (strip[at] * a, strip[at + 1] * a, strip[at + 2] * a);
            }
            else
            {
                for (var dy = 0; dy < times; dy++)
                {
                    var at = dy * row + x * times * 4;
                    for (var dx = 0; dx < times; dx++, at += 4)
                    {
                        int alpha = strip[at + 3];
                        a += alpha;
                        r += strip[at] * alpha;
                        g += strip[at + 1] * alpha;
                        b += strip[at + 2] * alpha;
                    }
                }
            }
            var to = x * 4;
            pixels[to] = (byte)((b + half) / (255 * count));
            pixels[to + 1] = (byte)((g + half) / (255 * count));
            pixels[to + 2] = (byte)((r + half) / (255 * count));
            pixels[to + 3] = (byte)((a + count / 2) / count);
        }
    }

    /// <summary>True when the four by four pixels of one are all the same, as most are.</summary>
    private static bool IsFlat(ReadOnlySpan<byte> strip, int x, int row)
    {
        var four = MemoryMarshal.Cast<byte, uint>(strip);
        var (at, step) = (x * 4, row / 4);
        var first = Vector128.Create(four[at]);
        return Vector128.Create(four[at..]) == first && Vector128.Create(four[(at + step)..]) == first && Vector128.Create(four[(at + 2 * step)..]) == first && Vector128.Create(four[(at + 3 * step)..]) == first;
    }
}
