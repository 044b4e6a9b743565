using System.Collections.Immutable;
using Kalypto.Core.Designs;
using Kalypto.Core.Isolating;
using Kalypto.Core.Library;
using Kalypto.Core.Rendering;

namespace Kalypto.Application.Library;

/// <summary>Looks at drawings as the library does: small, as wide as they are.</summary>
public sealed class LibraryLooks(IRenderer renderer)
{
    private const int Hashed = 64;
    private const int Shown = 160;

    /// <summary>How a drawing looks, and a small picture of it; both null where it cannot be drawn.</summary>
    /// <param name="box">What is shown, in drawing units.</param>
    /// <param name="document">Makes the document of a size in px.</param>
    /// <param name="cancel">Ends the wait.</param>
    public async Task<(PictureLook? Look, byte[]? Png)> SeeAsync(Box box, Func<int, int, Scene> document, CancellationToken cancel)
    {
        var look = await LookAsync(box, document, cancel);
        var (width, height) = Size(box, Shown);
        return look is null ? (null, null) : (look, (await renderer.DrawAsync(document(width, height), width, height, Effort.Quick, cancel)).Bytes);
    }

    /// <summary>How a drawing looks; null where it cannot be drawn.</summary>
    /// <param name="box">What is shown, in drawing units.</param>
    /// <param name="document">Makes the document of a size in px.</param>
    /// <param name="cancel">Ends the wait.</param>
    public async Task<PictureLook?> LookAsync(Box box, Func<int, int, Scene> document, CancellationToken cancel)
    {
        var (width, height) = Size(box, Hashed);
        var drawn = await renderer.PixelsAsync(document(width, height), width, height, cancel);
        return drawn.Bytes is { } pixels && pixels.Length == width * height * 4 ? await Task.Run(() => PictureLook.Of(pixels, width, height), cancel) : null;
    }

    /// <summary>What a picture looks like, with and without a plain ground that it may stand on; none where nothing is to be seen in it.</summary>
    /// <param name="box">What is shown, in drawing units.</param>
    /// <param name="document">Makes the document of a size in px.</param>
    /// <param name="cancel">Ends the wait.</param>
    public async Task<ImmutableArray<PictureHash>> HashesAsync(Box box, Func<int, int, Scene> document, CancellationToken cancel)
    {
        var (width, height) = Size(box, Hashed);
        return (await renderer.PixelsAsync(document(width, height), width, height, cancel)).Bytes is not { } pixels || pixels.Length != width * height * 4 ? []
            : await Task.Run<ImmutableArray<PictureHash>>(() => [.. new[] { pixels, WithoutGround.Of(pixels, width, height) }.OfType<byte[]>().Select(p => PictureHash.Of(p, width, height)).OfType<PictureHash>()], cancel);
    }

    private static (int Width, int Height) Size(Box box, int side)
    {
        var scale = side / Math.Max(1e-3, Math.Max(box.Width, box.Height));
        return (Math.Max(1, (int)Math.Round(box.Width * scale)), Math.Max(1, (int)Math.Round(box.Height * scale)));
    }
}
