using Kalypto.Drawing.Native;
using NetVips;

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
        Vips.Start();
        try
        {
            using var image = Image.PngloadBuffer(png);
            using var coloured = image.Bands == 4 ? image.Copy() : image.Bands == 3 ? image.Bandjoin(255) : throw new RenderingFailedException("The exact engine drew a picture without colours.");
            var (width, height) = (surface.Width, surface.Height);
            var times = coloured.Width / width;
            var pictures = times < 1 ? 0 : coloured.Height / (height * times);
            if (pictures is not (1 or 2) || coloured.Width != width * times || coloured.Height != height * times * pictures)
            {
                throw new RenderingFailedException($"The exact engine drew {coloured.Width} x {coloured.Height} px for {width} x {height}.");
            }
            var rgba = coloured.WriteToMemory<byte>();
            var pixels = surface.Pixels();
            Average(rgba, pixels, surface.Stride, width, height, times);
            if (pictures == 2)
            {
                var second = new byte[pixels.Length];
                Average(rgba.AsSpan(rgba.Length / 2), second, surface.Stride, width, height, times);
                BeyondSrgb.Restore(pixels, second);
            }
        }
        catch (VipsException e)
        {
            throw new RenderingFailedException($"What the exact engine drew cannot be read: {e.Message.Trim().Split('\n')[0].TrimEnd('.')}.");
        }
    }

    private static void Average(ReadOnlySpan<byte> rgba, Span<byte> pixels, int stride, int width, int height, int times)
    {
        var (row, count) = (width * times * 4, times * times);
        var half = 255 * count / 2;
        for (var y = 0; y < height; y++)
        {
            for (var x = 0; x < width; x++)
            {
                int r = 0, g = 0, b = 0, a = 0;
                for (var dy = 0; dy < times; dy++)
                {
                    var at = (y * times + dy) * row + x * times * 4;
                    for (var dx = 0; dx < times; dx++, at += 4)
                    {
                        int alpha = rgba[at + 3];
                        a += alpha;
                        r += rgba[at] * alpha;
                        g += rgba[at + 1] * alpha;
                        b += rgba[at + 2] * alpha;
                    }
                }
                var to = y * stride + x * 4;
                pixels[to] = (byte)((b + half) / (255 * count));
                pixels[to + 1] = (byte)((g + half) / (255 * count));
                pixels[to + 2] = (byte)((r + half) / (255 * count));
                pixels[to + 3] = (byte)((a + count / 2) / count);
            }
        }
    }
}
