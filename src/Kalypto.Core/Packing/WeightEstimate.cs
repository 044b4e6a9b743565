using Kalypto.Core.Formats;
using Kalypto.Core.Rendering;

namespace Kalypto.Core.Packing;

/// <summary>A guess of what a file will weigh, until it is drawn.</summary>
public static class WeightEstimate
{
    // Bytes a pixel of PNG files: photos hardly compress, drawn shapes compress well.
    private const double Photo = 1.6;
    private const double Shapes = 0.12;
    private const int Head = 150;
    private const int Drawn = 1_200;
    private const int PdfFrame = 950;
    private const int PdfFont = 5_000;
    private const int VectorFrame = 180;
    private const int PngFrame = 75;
    private const int JpegFrame = 300;
    private const int WebPFrame = 60;
    private const int AvifFrame = 300;
    private const int GifFrame = 50;
    private const double PhotoShare = 3;
    private const int OutlinedLetter = 420;

    // The small sizes of an icon file, which are not compressed: 16, 32 and 48 px of four bytes.
    private const int IconPixels = (16 * 16 + 32 * 32 + 48 * 48) * 4;

    // What files of lower and higher quality weigh of those of the usual one, as measured over the photos of the demo.
    private static readonly Dictionary<Format, (int Percent, double Share)[]> ByQuality = new()
    {
        [Format.Jpeg] = [(1, 0.1), (10, 0.17), (50, 0.46), (70, 0.68), (82, 1), (90, 1.7), (95, 2.7), (100, 5.3)],
        [Format.WebP] = [(1, 0.3), (10, 0.41), (50, 0.65), (70, 0.78), (80, 1), (90, 1.75), (95, 2.8), (100, 4)],
        [Format.Avif] = [(1, 0.2), (10, 0.26), (40, 0.57), (60, 1), (80, 1.8), (90, 2.8), (95, 4.2), (100, 8.5)],
    };

    /// <summary>The estimate in bytes.</summary>
    public static long Of(PlannedFile file)
    {
        var guess = (long)(file.Format.IsVector ? OfShapes(file) : file.Picture.Weights is { } seen ? OfSeen(file, seen) : OfNothingSeen(file));
        return file.Ask.Format.Quality is Quality.Under bound ? Math.Min(bound.Bytes, guess) : guess;
    }

    // Constants of files drawn of shapes, and the shares below, are as measured over the demo and drawings in other styles (./bench prints how near they come).
    private static double OfShapes(PlannedFile file) => file.Picture.Written is not var (bytes, letters) ? Drawn
        : file.Format == Format.Vector ? (bytes + letters * OutlinedLetter) * 1.2 + VectorFrame
        : file.Format == Format.Pdf ? bytes * 0.45 + PdfFrame + (letters > 0 ? PdfFont : 0) : bytes + letters * OutlinedLetter;

    // What quick files weighed when the layer was looked at, at the scale of the file.
    private static double OfSeen(PlannedFile file, SeenWeights seen)
    {
        double At(SeenWeights.Measure measure) => measure.At(file.Width / file.Source.Width);
        // Drawn shapes weigh about as much as PNG as they do as WebP, photos many times as much.
        var isPhoto = seen.Png.Full > PhotoShare * seen.WebP.Full;
        return file.Format.Id switch
        {
            "jpeg" => JpegFrame + At(seen.Jpeg) * OfQuality(file.Ask.Format),
            "webp" when file.Ask.Format.Held is Quality.Lossless => WebPFrame + At(seen.Png) * 0.7,
            "webp" => WebPFrame + At(seen.WebP) * (isPhoto ? 0.85 : 0.75) * OfQuality(file.Ask.Format),
            "avif" => AvifFrame + At(seen.WebP) * 0.6 * OfQuality(file.Ask.Format),
            "png8" => PngFrame + At(seen.Png8),
            "gif" => GifFrame + At(seen.Gif),
            "ico" => IconPixels + At(seen.Png),
            _ => PngFrame + At(seen.Png) * 0.9,
        };
    }

    private static double OfNothingSeen(PlannedFile file) => Head + (double)file.Width * file.Height * (file.Picture.Making.Kind is "photo" or "screen" ? Photo : Shapes) * Share(file.Ask.Format);

    // Of a PNG of the same pixels, roughly, as measured over the demo.
    private static double Share(FormatAsk ask) => ask.Format.Id switch
    {
        "jpeg" => 0.16 * OfQuality(ask),
        "webp" when ask.Held is Quality.Lossless => 0.7,
        "webp" => 0.11 * OfQuality(ask),
        "avif" => 0.08 * OfQuality(ask),
        "png8" or "gif" => 0.4,
        _ => 1,
    };

    // Between two measured qualities on the straight line.
    private static double OfQuality(FormatAsk ask)
    {
        if (ask.Held is not Quality.Fixed { Percent: var percent })
        {
            return 1;
        }
        var steps = ByQuality[ask.Format];
        var next = Math.Max(1, Array.FindIndex(steps, s => s.Percent >= percent));
        var (below, above) = (steps[next - 1], steps[next]);
        return below.Share + (above.Share - below.Share) * (percent - below.Percent) / (above.Percent - below.Percent);
    }
}
