using Kalypto.Core.Deciding;

namespace Kalypto.Core.Reading;

/// <summary>Tells files apart by their first bytes.</summary>
public static class FileTypes
{
    private const string OpenRasterType = "image/openraster";

    /// <summary>What a file is.</summary>
    public static FileType Of(ReadOnlySpan<byte> file) =>
        file.StartsWith("PK\u0003\u0004"u8) || file.StartsWith("PK\u0005\u0006"u8) ? FileType.Zip
        : file.Length > 8 && file[0] == 0x89 && file[1..4].SequenceEqual("PNG"u8) ? FileType.Png
        : file.Length > 3 && file[0] == 0xff && file[1] == 0xd8 && file[2] == 0xff ? FileType.Jpeg
        : file.Length > 12 && file.StartsWith("RIFF"u8) && file[8..12].SequenceEqual("WEBP"u8) ? FileType.Webp
        : file.Length > 12 && (file.StartsWith("GIF87a"u8) || file.StartsWith("GIF89a"u8)) ? FileType.Gif
        : file.Length > 16 && file[4..8].SequenceEqual("ftyp"u8) && file[8..12].SequenceEqual("avif"u8) ? FileType.Avif
        // The standard asks for it at the beginning; readers find it within the first 1,024 bytes (ISO 32000-1, annex H).
        : file[..Math.Min(file.Length, 1024)].IndexOf("%PDF-"u8) is >= 0 and var at && !file[..at].Contains((byte)'<') ? FileType.Pdf
        : FileType.Other;

    /// <summary>True for a zip that is an OpenRaster drawing: its first entry is <c>mimetype</c>, stored, and says so.</summary>
    public static bool IsOpenRaster(ReadOnlySpan<byte> file) => file.Length > 38 + OpenRasterType.Length
        && file[30..38].SequenceEqual("mimetype"u8) && file.Slice(38, Math.Min(64, file.Length - 38)).IndexOf("image/openraster"u8) >= 0;
}
