using Kalypto.Core.Reading;
using Kalypto.Core.Rendering;

namespace Kalypto.Application.BringingIn;

/// <summary>Pictures as drawings hold them: upright, in sRGB, as PNG or JPEG; pages as SVG.</summary>
internal static class ReadableFile
{
    /// <summary>The file itself, a PNG of a picture that is none, lies on its side or has colours of its own, or an SVG of a PDF.</summary>
    /// <exception cref="DrawingRefusedException">It cannot be read.</exception>
    public static async Task<byte[]> OfAsync(IRenderer renderer, byte[] file, CancellationToken cancel)
    {
        var type = FileTypes.Of(file);
        if (type is FileType.Other or FileType.Zip)
        {
            return file;
        }
        var png = await renderer.ToPlainAsync(file, cancel);
        return png.Bytes is { Length: 0 } ? file : png.Bytes ?? throw new DrawingRefusedException(png.Failure!.TrimEnd('.'), type == FileType.Pdf ? "Save its pages as SVG and bring those in" : "Save it as PNG and use that");
    }
}
