namespace Kalypto.Core.Packing;

/// <summary>A guess of what a file will weigh, until it is drawn.</summary>
public static class WeightEstimate
{
    // Bytes a pixel of PNG files: photos hardly compress, drawn shapes compress well.
    private const double Photo = 1.6;
    private const double Shapes = 0.12;
    private const int Head = 150;

    /// <summary>The estimate in bytes.</summary>
    public static long Of(PlannedFile file) =>
        Head + (long)((long)file.Width * file.Height * (file.Picture.Making.Kind is "photo" or "screen" ? Photo : Shapes));
}
