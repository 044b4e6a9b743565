using Kalypto.Core.Designs;
using Kalypto.Core.Rendering;
using NetVips;

namespace Kalypto.Drawing.Encoders;

/// <summary>Weighs quick files of what was drawn to find its ink, once as it is, at half and at a quarter of the size.</summary>
internal static class QuickWeights
{
    // What is larger is weighed at half its size, or a quarter: a moment is all that a look may take longer.
    private const int MostPixels = 200_000;
    private const int SmallPixels = 30_000;
    private const int MostOfFewColours = 60_000;
    private const int LeastSide = 8;

    // What every file has, whatever it shows: its tables and the names of its parts.
    private const int PngHead = 60;
    private const int JpegHead = 300;
    private const int WebPHead = 40;
    private const int GifHead = 40;
    private const int JpegQuality = 82;
    private const int WebPQuality = 80;

    /// <summary>Weighs the pixels within the ink.</summary>
    /// <param name="rgba">RGBA, not premultiplied, rows without gaps.</param>
    /// <param name="width">px a row.</param>
    /// <param name="ink">Where the ink is, in px.</param>
    /// <returns>What they weigh, by px; null for what is too small.</returns>
    public static SeenWeights? Of(ReadOnlySpan<byte> rgba, int width, Box ink)
    {
        if (Math.Min(ink.Width, ink.Height) < LeastSide)
        {
            return null;
        }
        var sizes = new List<Part> { Cut(rgba, width, ink) };
        while (Math.Min(sizes[^1].Width, sizes[^1].Height) > 1)
        {
            sizes.Add(Half(sizes[^1]));
        }
        SeenWeights.Measure Measure(Func<Part, int> weigh, int head, int most)
        {
            var at = sizes.FindIndex(p => p.Width * p.Height <= most);
            double Weight(int step) => Math.Max(1, weigh(sizes[Math.Min(at + step, sizes.Count - 1)]) - head);
            return new(Math.Pow(0.5, at), Weight(0), Weight(1), Weight(2));
        }
        return new(Measure(Png, PngHead, MostPixels), Measure(Jpeg, JpegHead, MostPixels), Measure(WebP, WebPHead, MostPixels),
            Measure(Png8, PngHead, MostOfFewColours), Measure(Gif, GifHead, MostOfFewColours));
    }

    private sealed record Part(byte[] Rgba, int Width, int Height);

    private static Part Cut(ReadOnlySpan<byte> rgba, int width, Box ink)
    {
        using var all = Vips.FromRgba(rgba, width, rgba.Length / 4 / width);
        using var cut = all.ExtractArea((int)ink.X, (int)ink.Y, (int)ink.Width, (int)ink.Height);
        return new(cut.WriteToMemory<byte>(), cut.Width, cut.Height);
    }

    private static Part Half(Part part)
    {
        using var whole = Vips.FromRgba(part.Rgba, part.Width, part.Height);
        using var half = whole.Shrink(2, 2);
        return new(half.WriteToMemory<byte>(), half.Width, half.Height);
    }

    private static int Png(Part part) => PngEncoder.Length(part.Rgba, part.Width, part.Height);

    private static int Jpeg(Part part)
    {
        using var image = Vips.FromRgba(part.Rgba, part.Width, part.Height);
        using var flat = image.Flatten(background: [255, 255, 255]);
        return flat.JpegsaveBuffer(q: JpegQuality, optimizeCoding: true, keep: Enums.ForeignKeep.None).Length;
    }

    private static int WebP(Part part)
    {
        using var image = Vips.FromRgba(part.Rgba, part.Width, part.Height);
        return image.WebpsaveBuffer(q: WebPQuality, effort: part.Width * part.Height <= SmallPixels ? 4 : 2, keep: Enums.ForeignKeep.None).Length;
    }

    private static int Png8(Part part)
    {
        using var image = Vips.FromRgba(part.Rgba, part.Width, part.Height);
        return image.PngsaveBuffer(palette: true, q: 100, dither: 1, effort: 1, compression: 9, keep: Enums.ForeignKeep.None).Length;
    }

    private static int Gif(Part part)
    {
        using var image = Vips.FromRgba(part.Rgba, part.Width, part.Height);
        return image.GifsaveBuffer(effort: 1, dither: 1, keep: Enums.ForeignKeep.None).Length;
    }
}
