using NetVips;

namespace Kalypto.Drawing.Encoders;

/// <summary>Reads pictures that the SVG renderer does not know. Runs in workers only, for the bytes are hostile.</summary>
internal static class PictureConverter
{
    private const long MostPixels = 100_000_000;

    public static byte[] ToPng(byte[] picture)
    {
        Vips.Start();
        try
        {
            using var image = Image.NewFromBuffer(picture, access: Enums.Access.Sequential);
            if ((long)image.Width * image.Height > MostPixels)
            {
                throw new RenderingFailedException($"The picture has {image.Width} × {image.Height} px; {MostPixels / 1_000_000} million in all are the most.");
            }
            using var plain = image.IccTransformToSrgb();
            return plain.PngsaveBuffer(compression: 6, keep: Enums.ForeignKeep.None);
        }
        catch (VipsException e)
        {
            throw new RenderingFailedException($"The picture cannot be read: {e.Message.Trim().Split('\n')[0].TrimEnd('.')}.");
        }
    }

    private static Image IccTransformToSrgb(this Image image) => image.Contains("icc-profile-data")
        ? image.IccTransform("srgb", embedded: true) : image.Colourspace(Enums.Interpretation.Srgb);
}
