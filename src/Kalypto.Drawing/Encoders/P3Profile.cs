using System.IO.Compression;
using NetVips;

namespace Kalypto.Drawing.Encoders;

/// <summary>The profile of Display P3 (ICC.1), which says in a file that its pixels are in it.</summary>
internal static class P3Profile
{
    private const int ColourType = 25;
    private static readonly Lazy<byte[]> Loaded = new(() =>
    {
        Vips.Start();
        return Image.ProfileLoad("p3");
    });

    /// <summary>The bytes of the profile.</summary>
    public static byte[] Bytes => Loaded.Value;

    /// <summary>An image that carries it, for libvips to write.</summary>
    public static Image AddTo(Image image) => image.Mutate(m => m.Set(GValue.BlobType, "icc-profile-data", Bytes));

    /// <summary>A PNG that carries it (third edition, 11.3.2.3), before any palette. One of greys alone may not, and they are the same in sRGB.</summary>
    public static byte[] AddTo(byte[] png)
    {
        if (png[ColourType] is 0 or 4)
        {
            return png;
        }
        using var packed = new MemoryStream();
        using (var zlib = new ZLibStream(packed, CompressionLevel.SmallestSize, leaveOpen: true))
        {
            zlib.Write(Bytes);
        }
        using var file = new MemoryStream(png.Length + 1_000);
        file.Write(png.AsSpan(0, FileHeads.AfterPngHead));
        PngEncoder.Chunk(file, "iCCP"u8, [.. "Display P3"u8, 0, 0, .. packed.ToArray()]);
        file.Write(png.AsSpan(FileHeads.AfterPngHead));
        return file.ToArray();
    }
}
