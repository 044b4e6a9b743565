using System.Buffers.Binary;
using System.Text;
using NetVips;

namespace Kalypto.Drawing.Tests;

/// <summary>Pictures come in as a browser that manages colours shows them.</summary>
public sealed class PlainPictureTests(RendererFixture fixture)
{
    private readonly CancellationToken cancel = TestContext.Current.CancellationToken;

    // Orange on the left, night on the right, 40 by 20.
    private static readonly byte[] Pixels = [.. Enumerable.Range(0, 40 * 20).SelectMany(i => i % 40 < 20 ? (byte[])[230, 120, 40] : [20, 40, 90])];

    private static Image Photo() => Image.NewFromMemory(Pixels, 40, 20, 3, Enums.BandFormat.Uchar).Copy(interpretation: Enums.Interpretation.Srgb);

    public static TheoryData<string> Sorts => new("upright", "P3", "turned", "16 bit", "sRGB by profile", "P3 that names sRGB", "sRGB by another name", "print", "gamma", "WebP in P3", "AVIF", "GIF", "P3 by code points", "sRGB by code points over a profile");

    private static byte[] Make(string sort)
    {
        using var photo = Photo();
        switch (sort)
        {
            case "P3":
                using (var wide = photo.IccTransform("p3", inputProfile: "srgb", embedded: false))
                {
                    return wide.PngsaveBuffer();
                }
            case "P3 that names sRGB":
                // As browsers write it: “Display P3 Gamut with sRGB Transfer”.
                using (var wide = photo.IccTransform("p3", inputProfile: "srgb", embedded: false))
                using (var named = wide.Mutate(m => m.Set(GValue.BlobType, "icc-profile-data", Renamed((byte[])wide.Get("icc-profile-data"), "sRGB"))))
                {
                    return named.JpegsaveBuffer(q: 100, subsampleMode: Enums.ForeignSubsample.Off);
                }
            case "sRGB by another name":
                using (var named = photo.Mutate(m => m.Set(GValue.BlobType, "icc-profile-data", Renamed(Image.ProfileLoad("srgb"), "Wren"))))
                {
                    return named.PngsaveBuffer();
                }
            case "turned":
                using (var turned = photo.Rot90().Copy().Mutate(m => m.Set(GValue.GIntType, "orientation", 8)))
                {
                    return turned.JpegsaveBuffer(q: 100, subsampleMode: Enums.ForeignSubsample.Off);
                }
            case "16 bit":
                return photo.Colourspace(Enums.Interpretation.Rgb16).PngsaveBuffer(bitdepth: 16);
            case "sRGB by profile":
                return photo.IccTransform("srgb", inputProfile: "srgb").JpegsaveBuffer(q: 100, subsampleMode: Enums.ForeignSubsample.Off);
            case "print":
                return photo.IccTransform("cmyk", inputProfile: "srgb", intent: Enums.Intent.Relative).JpegsaveBuffer(q: 100);
            case "gamma":
                // Written twice as dark as is usual, and said to be.
                var png = photo.Gamma(exponent: 1 / 0.5).Cast(Enums.BandFormat.Uchar).PngsaveBuffer(keep: Enums.ForeignKeep.None);
                byte[] chunk = [.. "gAMA"u8, 0, 0x01, 0x63, 0x1e];
                return [.. png[..33], 0, 0, 0, 4, .. chunk, .. Crc(chunk), .. png[33..]];
            case "P3 by code points":
                using (var wide = photo.IccTransform("p3", inputProfile: "srgb", embedded: false))
                {
                    return With(wide.PngsaveBuffer(keep: Enums.ForeignKeep.None), 12, 13);
                }
            case "sRGB by code points over a profile":
                // The profile is that of another range; what stands before it holds.
                using (var wide = photo.IccTransform("p3", inputProfile: "srgb", embedded: false))
                {
                    return With(photo.Mutate(m => m.Set(GValue.BlobType, "icc-profile-data", (byte[])wide.Get("icc-profile-data"))).PngsaveBuffer(), 1, 13);
                }
            case "WebP in P3":
                using (var wide = photo.IccTransform("p3", inputProfile: "srgb", embedded: false))
                {
                    return wide.WebpsaveBuffer(lossless: true);
                }
            case "AVIF":
                return photo.HeifsaveBuffer(lossless: true, compression: Enums.ForeignHeifCompression.Av1);
            case "GIF":
                return photo.GifsaveBuffer();
            default:
                return photo.PngsaveBuffer();
        }
    }

    // The text of its description, whatever it was, in as many letters.
    private static byte[] Renamed(byte[] profile, string name)
    {
        var renamed = profile.ToArray();
        for (var at = 132; at < renamed.Length - 12; at += 12)
        {
            if (renamed.AsSpan(at, 4).SequenceEqual("desc"u8))
            {
                var place = BinaryPrimitives.ReadInt32BigEndian(renamed.AsSpan(at + 4));
                var letters = renamed.AsSpan(place + 28, BinaryPrimitives.ReadInt32BigEndian(renamed.AsSpan(place + 20)));
                letters.Clear();
                Encoding.BigEndianUnicode.GetBytes(name[..Math.Min(name.Length, letters.Length / 2)]).CopyTo(letters);
                return renamed;
            }
        }
        throw new InvalidOperationException("no description");
    }

    // A chunk cICP behind the head of a PNG.
    private static byte[] With(byte[] png, byte primaries, byte transfer)
    {
        byte[] chunk = [.. "cICP"u8, primaries, transfer, 0, 1];
        return [.. png[..33], 0, 0, 0, 4, .. chunk, .. Crc(chunk), .. png[33..]];
    }

    [Fact]
    public async Task Colours_that_no_screen_of_the_web_shows_are_refused_by_name()
    {
        using var photo = Photo();
        var made = await fixture.Renderer.ToPlainAsync(With(photo.PngsaveBuffer(), 9, 16), cancel);
        Assert.Contains("cICP 9, 16", made.Failure!, StringComparison.Ordinal);
    }

    private static byte[] Crc(byte[] chunk)
    {
        var crc = 0xffffffffu;
        foreach (var value in chunk)
        {
            crc ^= value;
            for (var bit = 0; bit < 8; bit++)
            {
                crc = (crc & 1) == 1 ? crc >> 1 ^ 0xedb88320 : crc >> 1;
            }
        }
        crc = ~crc;
        return [(byte)(crc >> 24), (byte)(crc >> 16), (byte)(crc >> 8), (byte)crc];
    }

    [Theory]
    [MemberData(nameof(Sorts))]
    public async Task A_picture_comes_in_upright_and_in_the_colours_that_it_means(string sort)
    {
        var file = Make(sort);
        var made = await fixture.Renderer.ToPlainAsync(file, cancel);
        Assert.Null(made.Failure);
        // What is plain stays as it is, byte for byte.
        Assert.Equal(sort is "upright" or "sRGB by profile" or "sRGB by another name", made.Bytes is { Length: 0 });
        using var plain = Image.NewFromBuffer(made.Bytes!.Length == 0 ? file : made.Bytes);
        Assert.Equal((40, 20), (plain.Width, plain.Height));
        var most = sort switch { "print" => 12, "gamma" => 6, _ => 3 };
        Assert.All([(5, new double[] { 230, 120, 40 }), (35, [20, 40, 90])], place =>
            Assert.All(plain.Getpoint(place.Item1, 10).Take(3).Zip(place.Item2), pair => Assert.InRange(pair.First, pair.Second - most, pair.Second + most)));
    }

    [Theory]
    [InlineData("upright")]
    [InlineData("turned")]
    [InlineData("WebP in P3")]
    public async Task A_picture_that_is_cut_off_is_refused(string sort)
    {
        var file = Make(sort);
        Assert.Contains("cannot be read", (await fixture.Renderer.ToPlainAsync(file[..(file.Length * 2 / 3)], cancel)).Failure, StringComparison.Ordinal);
    }
}
