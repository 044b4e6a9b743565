using System.Globalization;
using Kalypto.Core.Formats;
using Kalypto.Core.Rendering;
using NetVips;

namespace Kalypto.Drawing.Encoders;

/// <summary>Encodes pixels in any format of pixels, as small as its quality allows. Equal pixels give equal bytes.</summary>
internal static class FileEncoder
{
    private const int LeastQuality = 10;
    private const int MostQuality = 95;

    /// <summary>Encodes pixels.</summary>
    /// <param name="rgba">RGBA, not premultiplied, rows without gaps.</param>
    /// <param name="width">px.</param>
    /// <param name="height">px.</param>
    /// <param name="ask">Format and quality.</param>
    /// <param name="credit">Lines that the file carries.</param>
    /// <param name="plain">The same in ASCII.</param>
    /// <param name="isP3">True for pixels in Display P3 instead of sRGB.</param>
    /// <returns>The file, and the quality that was found when one was looked for.</returns>
    /// <exception cref="RenderingFailedException">The format cannot hold the picture.</exception>
    public static (byte[] File, string? Note) Encode(ReadOnlySpan<byte> rgba, int width, int height, FormatAsk ask, CreditLines credit, CreditLines plain, bool isP3 = false)
    {
        if (Math.Max(width, height) > ask.Format.MostSide)
        {
            throw new RenderingFailedException($"{ask.Format.Name} holds at most {ask.Format.MostSide} px a side here; the picture has {width} × {height}.");
        }
        if (ask.Format == Format.Png)
        {
            var png = PngEncoder.Encode(rgba, width, height, Effort.Best);
            return (PngCredit.Add(isP3 ? P3Profile.AddTo(png) : png, credit), null);
        }
        var pixels = rgba.ToArray();
        byte[] At(int quality, bool final) => Once(pixels, width, height, ask, quality, final ? (credit, plain) : (CreditLines.None, CreditLines.None), isP3, final);
        switch (ask.Held)
        {
            case Quality.Auto:
                // The least quality that still looks the same; what is halved is quick, what is kept is the best.
                var found = Search(q => Likeness.Of(pixels, Vips.ToRgba(At(q, final: false)), width, height) < Likeness.Same);
                return (At(found, final: true), $"quality {found} found");
            case Quality.Under bound:
                var first = Search(q => At(q, final: true).Length <= bound.Bytes) - 1;
                var file = At(Math.Max(LeastQuality, first), final: true);
                return (file, file.Length > bound.Bytes
                    ? $"{Math.Ceiling(file.Length / 1000.0).ToString(CultureInfo.InvariantCulture)} kB at quality {LeastQuality} is as small as it gets" : $"quality {first} found");
            case Quality.Fixed said:
                return (At(said.Percent, final: true), null);
            default:
                return (At(100, final: true), null);
        }
    }

    /// <summary>The first quality at which the question is answered with no.</summary>
    private static int Search(Func<int, bool> isBelow)
    {
        var (low, high) = (LeastQuality, MostQuality + 1);
        while (low < high)
        {
            var middle = (low + high) / 2;
            (low, high) = isBelow(middle) ? (middle + 1, high) : (low, middle);
        }
        return Math.Min(low, MostQuality + 1);
    }

    /// <summary>The same few colours written by our own encoder, or all colours where that is smaller still: the smallest of the three.</summary>
    private static byte[] Smallest(byte[] palette, byte[] rgba, int width, int height, bool final)
    {
        var effort = final ? Effort.Best : Effort.Quick;
        return new[] { palette, PngEncoder.Encode(Vips.ToRgba(palette), width, height, effort), PngEncoder.Encode(rgba, width, height, effort) }.MinBy(f => f.Length)!;
    }

    private static bool IsSolid(byte[] rgba)
    {
        for (var i = 3; i < rgba.Length; i += 4)
        {
            if (rgba[i] != byte.MaxValue)
            {
                return false;
            }
        }
        return true;
    }

    private static byte[] Once(byte[] rgba, int width, int height, FormatAsk ask, int quality, (CreditLines Said, CreditLines Plain) credits, bool isP3, bool final)
    {
        var credit = credits.Said;
        using var drawn = Vips.FromRgba(rgba, width, height);
        using var credited = credit.IsEmpty ? drawn.Copy() : VipsCredit.Add(drawn, credit, credits.Plain, ask.Format);
        using var image = isP3 && ask.Format != Format.Png8 ? P3Profile.AddTo(credited) : credited.Copy();
        var keep = (credit.IsEmpty ? Enums.ForeignKeep.None : Enums.ForeignKeep.Exif | Enums.ForeignKeep.Xmp) | (isP3 ? Enums.ForeignKeep.Icc : Enums.ForeignKeep.None);
        switch (ask.Format.Id)
        {
            case "png8":
                var few = Smallest(FileHeads.WithoutChunk(image.PngsaveBuffer(palette: true, q: quality, dither: 1, effort: 7, compression: 9, keep: Enums.ForeignKeep.None), "pHYs"u8), rgba, width, height, final);
                return PngCredit.Add(isP3 ? P3Profile.AddTo(few) : few, credit);
            case "jpeg":
                using (var flat = image.Flatten(background: [255, 255, 255]))
                {
                    return FileHeads.WithJfif(flat.JpegsaveBuffer(q: quality, interlace: final, optimizeCoding: true, optimizeScans: final, quantTable: 0, keep: keep));
                }
            case "webp":
                return ask.Held is Quality.Lossless
                    ? image.WebpsaveBuffer(lossless: true, q: 75, effort: 4, keep: keep)
                    : image.WebpsaveBuffer(q: quality, effort: final ? 4 : 2, keep: keep);
            case "avif":
                // Colours of drawings are sharp, so they are kept as fine as light is; of a picture without holes nothing is said of them.
                using (var solid = IsSolid(rgba) ? image.ExtractBand(0, n: 3) : image.Copy())
                {
                    return solid.HeifsaveBuffer(q: quality, compression: Enums.ForeignHeifCompression.Av1, bitdepth: 8, subsampleMode: Enums.ForeignSubsample.Off, tune: "ssim", effort: final ? 4 : 1, keep: keep);
                }
            case "gif":
                return GifCredit.Add(FileHeads.WithoutLoop(image.GifsaveBuffer(effort: 7, dither: 1, keep: Enums.ForeignKeep.None)), credit);
            default:
                throw new RenderingFailedException($"{ask.Format.Name} is not made of pixels.");
        }
    }
}
