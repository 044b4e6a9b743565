using System.Text;
using Kalypto.Core.Formats;
using NetVips;

namespace Kalypto.Drawing.Encoders;

/// <summary>Writes credit lines into an image for libvips: XMP, and EXIF where the format holds it.</summary>
internal static class VipsCredit
{
    public static Image Add(Image image, CreditLines credit, CreditLines plain, Format format) => image.Mutate(m =>
    {
        m.Set(GValue.BlobType, "xmp-data", Encoding.UTF8.GetBytes(credit.ToXmp()));
        if (format == Format.Jpeg || format == Format.WebP || format == Format.Avif)
        {
            // EXIF holds ASCII by its standard; other letters stand in XMP as they are, here by the nearest.
            if (plain.Copyright.Length > 0)
            {
                m.Set(GValue.GStrType, "exif-ifd0-Copyright", plain.Copyright);
            }
            if (plain.Author.Length > 0)
            {
                m.Set(GValue.GStrType, "exif-ifd0-Artist", plain.Author);
            }
        }
    });
}
