using System.Collections.Immutable;

namespace Kalypto.Core.Designs;

/// <summary>A layer to be cut out of the very file that it came in by, with nothing changed that is not said here.</summary>
/// <param name="Source">The SHA-256 of the file.</param>
/// <param name="Layer">Where the layer begins in it; the root for the whole drawing.</param>
/// <param name="Without">Where those layers in it begin that stay out of the picture.</param>
/// <param name="Counting">Where those elements begin whose clip, mask or transform counts from the box of all in them, also from what is not shown.</param>
/// <param name="Drawing">The box of the whole drawing, in drawing units.</param>
/// <param name="Crop">The rectangle to show, in drawing units.</param>
/// <param name="Width">The width of the picture, in px.</param>
/// <param name="Height">The height of the picture, in px.</param>
/// <param name="Ground">A colour under it, <c>#rrggbb</c>; null for none.</param>
/// <param name="KeepsVisibility">True where the file says right what of it is seen, though something around it is not; false for what is drawn though it is hidden.</param>
public sealed record SourceCut(
    string Source, SourcePlace Layer, ImmutableArray<SourcePlace> Without, ImmutableArray<SourcePlace> Counting, Box Drawing, Box Crop, double Width, double Height, string? Ground, bool KeepsVisibility = false)
{
    /// <summary>Where those layers begin that were put together, of which alone something is to be seen: <see cref="Layer"/> is then the nearest element around them all. None for a layer of the file.</summary>
    public ImmutableArray<SourcePlace> Members { get; init; } = [];
}
