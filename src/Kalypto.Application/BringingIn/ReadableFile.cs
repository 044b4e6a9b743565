using Kalypto.Core.Reading;
using Kalypto.Core.Rendering;

namespace Kalypto.Application.BringingIn;

/// <summary>Files in formats that drawings cannot hold, in one that they can.</summary>
internal static class ReadableFile
{
    /// <summary>The file itself, or a PNG of a WebP.</summary>
    /// <exception cref="DrawingRefusedException">It cannot be read.</exception>
    public static async Task<byte[]> OfAsync(IRenderer renderer, byte[] file, CancellationToken cancel)
    {
        if (FileTypes.Of(file) != FileType.Webp)
        {
            return file;
        }
        var png = await renderer.ToPngAsync(file, cancel);
        return png.Bytes ?? throw new DrawingRefusedException(png.Failure!.TrimEnd('.'), "Save it as PNG and use that");
    }
}
