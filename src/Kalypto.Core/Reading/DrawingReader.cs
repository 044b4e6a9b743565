using Kalypto.Core.Designs;

namespace Kalypto.Core.Reading;

/// <summary>Reads any file that can be brought in, by what is in it rather than by its ending.</summary>
public static class DrawingReader
{
    /// <summary>The endings of files that can be brought in, without the dot.</summary>
    public static IReadOnlyList<string> Endings { get; } = ["svg", "ora", "png", "jpg", "jpeg", "webp", "gif", "avif", "pdf"];

    /// <summary>The picture of all layers together that came with an OpenRaster drawing, a PNG; null for none.</summary>
    /// <param name="file">The bytes of the file. Treated as hostile.</param>
    /// <exception cref="DrawingRefusedException">It is larger than it may be.</exception>
    public static byte[]? Merged(ReadOnlyMemory<byte> file) => FileTypes.IsOpenRaster(file.Span) ? OpenRasterReader.Merged(file, ReadingLimits.Default) : null;

    /// <summary>Reads a drawing.</summary>
    /// <param name="file">The bytes of the file. Treated as hostile.</param>
    /// <param name="fallbackName">The name of the whole when the drawing has none, usually the file's name.</param>
    /// <param name="limits">How large it may be; null for <see cref="ReadingLimits.Default"/>.</param>
    /// <exception cref="DrawingRefusedException">The file is none of the known formats, is broken, or is over a limit.</exception>
    public static DrawingTree Read(ReadOnlyMemory<byte> file, string fallbackName, ReadingLimits? limits = null)
    {
        limits ??= ReadingLimits.Default;
        if (file.Length > limits.Bytes)
        {
            throw new DrawingRefusedException($"The file has {file.Length / 1_000_000} MB; {limits.Bytes / 1_000_000} MB is the most",
                "Split the drawing into several files, or embed its photos smaller");
        }
        return FileTypes.Of(file.Span) switch
        {
            FileType.Zip => OpenRasterReader.Read(file, fallbackName, limits),
            FileType.Png or FileType.Jpeg => PictureReader.Read(file, fallbackName, limits),
            FileType.Webp => throw new DrawingRefusedException("The picture is WebP, which is not read as it is", "Save it as PNG and bring that in"),
            _ => SvgReader.Read(file, fallbackName, limits),
        };
    }
}
