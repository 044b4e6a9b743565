using Kalypto.Core.Reading;
using Kalypto.Core.Rendering;

namespace Kalypto.Application.BringingIn;

/// <summary>Pictures as drawings hold them: upright, in sRGB, as PNG or JPEG.</summary>
internal static class ReadableFile
{
    /// <summary>The file itself, or a PNG of a picture that is none, lies on its side or has colours of its own.</summary>
    /// <exception cref="DrawingRefusedException">It cannot be read.</exception>
    public static async Task<byte[]> OfAsync(IRenderer renderer, byte[] file, CancellationToken cancel)
    {
        if (FileTypes.Of(file) is FileType.Other or FileType.Zip)
        {
            return file;
        }
        var png = await renderer.ToPlainAsync(file, cancel);
        return png.Bytes is { Length: 0 } ? file : png.Bytes ?? throw new DrawingRefusedException(png.Failure!.TrimEnd('.'), "Save it as PNG and use that");
    }
}
