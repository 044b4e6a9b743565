using System.Collections.Immutable;
using Kalypto.Application.BringingIn;
using Kalypto.Core.Isolating;
using Kalypto.Core.Library;
using Kalypto.Core.Reading;
using Kalypto.Core.Rendering;

namespace Kalypto.Application.Library;

/// <summary>Finds out what a picture that somebody has looks like, to find it in the library. It is kept nowhere.</summary>
public sealed class LookUpPicture(LibraryLooks looks, IDrawingReader reader, IRenderer renderer)
{
    /// <summary>The most bytes of a picture.</summary>
    public const int MostBytes = 20_000_000;

    /// <summary>What it looks like, with and without a plain ground that it may stand on; none when nothing is to be seen in it.</summary>
    /// <exception cref="DrawingRefusedException">It cannot be read.</exception>
    public async Task<ImmutableArray<PictureHash>> RunAsync(byte[] file, CancellationToken cancel)
    {
        var drawing = await reader.ReadAsync(await ReadableFile.OfAsync(renderer, file, cancel), "picture", cancel);
        var whole = Isolation.Of(drawing, drawing.Layers[0]);
        return await looks.HashesAsync(drawing.Box, (width, height) => whole.Scene(drawing.Box, width, height), cancel);
    }
}
