using System.Buffers.Binary;
using Kalypto.Core.Designs;
using NetVips;

namespace Kalypto.Drawing.Encoders;

/// <summary>
/// Makes pictures plain: PNG or JPEG, upright, 8 bits a channel, in sRGB, as a browser that manages colours shows them, or in
/// Display P3 where they have colours beyond that. Runs in workers only, for the bytes are hostile.
/// </summary>
internal static class PictureConverter
{
    private const long MostPixels = 100_000_000;
    // ITU-T H.273.
    private const byte Bt709 = 1;
    private const byte DisplayP3 = 12;
    private const byte SrgbTransfer = 13;
    private const double UsualGamma = 0.45455;

    // An exponent within this makes no visible difference.
    private const double SameGamma = 0.02;

    // A colour that sRGB holds comes back from it within this many steps of 255.
    private const int Rounding = 3;

    /// <summary>The picture as a PNG, in Display P3 where it has colours beyond sRGB; no bytes when it is plain as it is.</summary>
    /// <exception cref="RenderingFailedException">It cannot be read, or is cut off.</exception>
    public static byte[] ToPlain(byte[] picture) => Convert(picture, keepsWide: true);

    /// <summary>The picture as a PNG in sRGB; no bytes when it is plain as it is.</summary>
    /// <exception cref="RenderingFailedException">It cannot be read, or is cut off.</exception>
    public static byte[] ToSrgb(byte[] picture) => Convert(picture, keepsWide: false);

    private static byte[] Convert(byte[] picture, bool keepsWide)
    {
        Vips.Start();
        try
        {
            using var image = Image.NewFromBuffer(picture, failOn: Enums.FailOn.Truncated);
            if ((long)image.Width * image.Height > MostPixels)
            {
                throw new RenderingFailedException($"The picture has {image.Width} × {image.Height} px; {MostPixels / 1_000_000} million in all are the most.");
            }
            // What is cut off shows only when all of it is decoded.
            using var whole = image.CopyMemory();
            var gamma = GammaOf(picture);
            var points = CodePointsOf(picture);
            if (points is { Length: >= 2 } and not ([Bt709, SrgbTransfer, ..] or [DisplayP3, SrgbTransfer, ..]))
            {
                throw new RenderingFailedException($"The picture is in colours of a wide range (cICP {points[0]}, {points[1]}) that are not brought to a screen of the web here; save it in sRGB or Display P3.");
            }
            var isP3 = points is [DisplayP3, ..];
            if (!isP3 && IsPngOrJpeg(picture) && whole.Format == Enums.BandFormat.Uchar && whole.Interpretation is Enums.Interpretation.Srgb or Enums.Interpretation.Bw
                && IsSrgb(whole) && gamma is null && OrientationOf(whole) == 1)
            {
                return [];
            }
            using var upright = whole.Autorot();
            using var coloured = isP3 ? upright.IccTransform("srgb", inputProfile: "p3", embedded: false, intent: Enums.Intent.Relative, depth: 8)
                : points is not null ? upright.Copy() : ToSrgb(upright);
            if (keepsWide && (isP3 || points is null && whole.Contains("icc-profile-data")) && WideOf(upright, isP3, coloured) is { } wide)
            {
                using (wide)
                {
                    return wide.PngsaveBuffer(compression: 6, keep: Enums.ForeignKeep.Icc);
                }
            }
            using var eight = coloured.Cast(Enums.BandFormat.Uchar);
            using var exposed = gamma is { } exponent ? WithGamma(eight, exponent) : eight.Copy();
            return exposed.PngsaveBuffer(compression: 6, keep: Enums.ForeignKeep.None);
        }
        catch (VipsException e)
        {
            throw new RenderingFailedException($"The picture cannot be read: {e.Message.Trim().Split('\n')[0].TrimEnd('.')}.");
        }
    }

    /// <summary>The picture in Display P3; null where sRGB holds all of its colours.</summary>
    private static Image? WideOf(Image upright, bool isP3, Image inSrgb)
    {
        using var wide = isP3 ? upright.Cast(Enums.BandFormat.Uchar) : upright.IccTransform("p3", embedded: true, intent: Enums.Intent.Relative, depth: 8);
        if (wide.Bands < 3)
        {
            return null;
        }
        using var back = inSrgb.IccTransform("p3", inputProfile: "srgb", embedded: false, intent: Enums.Intent.Relative, depth: 8);
        using var lost = (wide.ExtractBand(0, n: 3) - back.ExtractBand(0, n: 3)).Abs();
        return lost.Max() > Rounding ? P3Profile.AddTo(wide) : null;
    }

    private static bool IsPngOrJpeg(byte[] picture) => picture is [0x89, ..] or [0xff, 0xd8, ..];

    private static int OrientationOf(Image image) => image.Contains("orientation") ? (int)image.Get("orientation") : 1;

    private static Image ToSrgb(Image image)
    {
        if (image.Contains("icc-profile-data"))
        {
            return image.IccTransform("srgb", embedded: true, intent: Enums.Intent.Relative, depth: 8);
        }
        return image.Interpretation is Enums.Interpretation.Srgb or Enums.Interpretation.Bw ? image.Copy() : image.Colourspace(Enums.Interpretation.Srgb);
    }

    // Most photos carry the profile that they would be shown in anyway.
    private static bool IsSrgb(Image image) => !image.Contains("icc-profile-data") || ColourProfile.IsSrgb((byte[])image.Get("icc-profile-data"));

    /// <summary>The code points for its colours that a PNG says (PNG, third edition, 11.3.2.6: they go before any profile); null for none.</summary>
    private static byte[]? CodePointsOf(ReadOnlySpan<byte> file)
    {
        foreach (var chunk in new PngChunks(file))
        {
            if (chunk.Name.SequenceEqual("IDAT"u8))
            {
                return null;
            }
            if (chunk.Name.SequenceEqual("cICP"u8) && chunk.Data.Length == 4)
            {
                return chunk.Data.ToArray();
            }
        }
        return null;
    }

    /// <summary>By how much the light of a PNG is to be raised, where it says so and says nothing better (PNG, 11.3.2 and 13.13); null for nothing.</summary>
    private static double? GammaOf(ReadOnlySpan<byte> file)
    {
        double? gamma = null;
        foreach (var chunk in new PngChunks(file))
        {
            var name = chunk.Name;
            if (name.SequenceEqual("IDAT"u8) || name.SequenceEqual("sRGB"u8) || name.SequenceEqual("iCCP"u8) || name.SequenceEqual("cICP"u8))
            {
                return name.SequenceEqual("IDAT"u8) && gamma is { } said && Math.Abs(said - UsualGamma) > SameGamma ? UsualGamma / said : null;
            }
            if (name.SequenceEqual("gAMA"u8) && chunk.Data.Length == 4 && BinaryPrimitives.ReadUInt32BigEndian(chunk.Data) is > 0 and var hundredThousandths)
            {
                gamma = hundredThousandths / 100_000.0;
            }
        }
        return null;
    }

    private static Image WithGamma(Image image, double exponent)
    {
        // Alpha is no light.
        var hasAlpha = image.HasAlpha();
        using var colours = hasAlpha ? image.ExtractBand(0, n: image.Bands - 1) : image.Copy();
        using var raised = colours.Gamma(exponent: exponent);
        if (!hasAlpha)
        {
            return raised.Copy();
        }
        using var alpha = image.ExtractBand(image.Bands - 1);
        return raised.Bandjoin(alpha);
    }
}
