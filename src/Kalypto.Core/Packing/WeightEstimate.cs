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
        "jpeg" => 0.16,
        "webp" when ask.Held is Quality.Lossless => 0.7,
        "webp" => 0.11,
        "avif" => 0.08,
        "png8" or "gif" => 0.4,
        _ => 1,
    };
}
