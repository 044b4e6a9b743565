using Kalypto.Core.Designs;

namespace Kalypto.Drawing.Encoders;

/// <summary>What stands at the beginning of files, put right where the library writes it otherwise than readers want it.</summary>
internal static class FileHeads
{
    /// <summary>Where a PNG goes on behind its signature and IHDR, which stand first.</summary>
    public const int AfterPngHead = 8 + 25;
    private const int GifScreen = 13;

    /// <summary>A PNG without a chunk of a name, such as the one that says how many pixels a metre has, which no picture here knows.</summary>
    public static byte[] WithoutChunk(byte[] png, ReadOnlySpan<byte> name)
    {
        using var file = new MemoryStream(png.Length);
        file.Write(PngChunks.Signature);
        foreach (var chunk in new PngChunks(png))
        {
            if (!chunk.Name.SequenceEqual(name))
            {
                file.Write(chunk.Whole);
            }
        }
        return file.ToArray();
    }

    /// <summary>A JPEG that begins as JFIF does (ITU-T T.871): its pixels are square, and its colours are what readers take them for.</summary>
    public static byte[] WithJfif(byte[] jpeg) => jpeg is [0xff, 0xd8, 0xff, 0xe0, _, _, (byte)'J', (byte)'F', (byte)'I', (byte)'F', ..] ? jpeg
        : [0xff, 0xd8, 0xff, 0xe0, 0, 16, .. "JFIF\0"u8, 1, 1, 0, 0, 1, 0, 1, 0, 0, .. jpeg[2..]];

    /// <summary>A GIF of one picture that does not say that it is to be played again and again.</summary>
    public static byte[] WithoutLoop(byte[] gif)
    {
        var at = GifScreen + ((gif[10] & 0x80) != 0 ? 3 << ((gif[10] & 7) + 1) : 0);
        // Extensions stand before the picture; this one is the application extension of 19 bytes.
        while (at + 19 <= gif.Length && gif[at] == 0x21)
        {
            if (gif[at + 1] == 0xff && gif.AsSpan(at + 3, 11).SequenceEqual("NETSCAPE2.0"u8))
            {
                return [.. gif[..at], .. gif[(at + 19)..]];
            }
            for (at += 2; at < gif.Length && gif[at] != 0; at += gif[at] + 1)
            {
                // Over the blocks of another extension.
            }
            at++;
        }
        return gif;
    }
}
