using NetVips;

namespace Kalypto.Drawing.Encoders;

/// <summary>libvips as this process uses it: no cache, one thread, so that equal pixels give equal bytes. In workers only.</summary>
internal static class Vips
{
    private static readonly Lazy<bool> Ready = new(() =>
    {
        Cache.Max = 0;
        NetVips.NetVips.Concurrency = 1;
        return true;
    });

    /// <summary>Call before anything else of libvips.</summary>
    public static void Start() => _ = Ready.Value;

    /// <summary>Pixels as an image. They are copied.</summary>
    /// <param name="rgba">RGBA, not premultiplied, rows without gaps.</param>
    /// <param name="width">px.</param>
    /// <param name="height">px.</param>
    public static Image FromRgba(ReadOnlySpan<byte> rgba, int width, int height)
    {
        Start();
        using var bytes = Image.NewFromMemoryCopy(rgba, width, height, 4, Enums.BandFormat.Uchar);
        return bytes.Copy(interpretation: Enums.Interpretation.Srgb);
    }

    /// <summary>The pixels of an encoded file as RGBA, not premultiplied.</summary>
    public static byte[] ToRgba(byte[] file)
    {
        Start();
        using var image = Image.NewFromBuffer(file);
        using var colours = image.Colourspace(Enums.Interpretation.Srgb);
        using var bytes = colours.Format == Enums.BandFormat.Uchar ? colours.Copy() : colours.Cast(Enums.BandFormat.Uchar);
        using var rgba = bytes.Bands switch
        {
            3 => bytes.Bandjoin(255),
            4 => bytes.Copy(),
            2 => bytes[0].Bandjoin(bytes[0], bytes[0], bytes[1]),
            _ => bytes.Bandjoin(bytes, bytes).Bandjoin(255),
        };
        return rgba.WriteToMemory<byte>();
    }
}
