using Kalypto.Core.Formats;

namespace Kalypto.Core.Packing;

/// <summary>A guess of what a file will weigh, until it is drawn.</summary>
public static class WeightEstimate
{
    // Bytes a pixel of PNG files: photos hardly compress, drawn shapes compress well.
    private const double Photo = 1.6;
    private const double Shapes = 0.12;
    private const int Head = 150;
    private const int Drawn = 1_200;

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
        var ofPixels = (long)file.Width * file.Height * (file.Picture.Making.Kind is "photo" or "screen" ? Photo : Shapes) * Share(file.Ask.Format);
        return file.Ask.Format.Quality is Quality.Under bound ? Math.Min(bound.Bytes, Head + (long)ofPixels)
            : file.Format.IsVector ? Drawn : Head + (long)ofPixels;
    }

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
