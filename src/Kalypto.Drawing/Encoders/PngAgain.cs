using System.IO.Compression;
using Kalypto.Core.Designs;
using Kalypto.Drawing.Native;

namespace Kalypto.Drawing.Encoders;

/// <summary>Compresses the pixels of a PNG once more, as hard as deflate goes; everything else of the file stays as it is. Equal files give equal bytes.</summary>
internal static class PngAgain
{
    // Bytes of filtered rows: up to here one block is as good as many, up to there five rounds end within a second or two, beyond the last not even one does.
    private const int OneBlock = 20_000;
    private const int SeveralRounds = 260_000;
    private const int Most = 1_500_000;
    private const int Rounds = 5;

    /// <summary>The file, or a smaller one of the same pixels.</summary>
    public static byte[] Smaller(byte[] png)
    {
        using var packed = new MemoryStream();
        using var before = new MemoryStream();
        using var after = new MemoryStream();
        foreach (var chunk in new PngChunks(png))
        {
            if (chunk.Name.SequenceEqual("IDAT"u8))
            {
                packed.Write(chunk.Data);
            }
            else
            {
                (packed.Length == 0 ? before : after).Write(chunk.Whole);
            }
        }
        packed.Position = 0;
        using var rows = new MemoryStream();
        using (var zlib = new ZLibStream(packed, CompressionMode.Decompress))
        {
            zlib.CopyTo(rows);
        }
        if (rows.Length > Most)
        {
            return png;
        }
        using var file = new MemoryStream();
        file.Write(PngChunks.Signature);
        before.WriteTo(file);
        PngEncoder.Chunk(file, "IDAT"u8, Zopfli.Zlib(rows.GetBuffer().AsSpan(0, (int)rows.Length), rows.Length <= SeveralRounds ? Rounds : 1, rows.Length > OneBlock));
        after.WriteTo(file);
        return file.Length < png.Length ? file.ToArray() : png;
    }
}
