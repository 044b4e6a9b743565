using Kalypto.Core.Designs;
using Kalypto.Core.Packing;

namespace Kalypto.Core.Rendering;

/// <summary>Draws drawings. Nothing that a drawing does can take the caller down: a failure is a value.</summary>
public interface IRenderer
{
    /// <summary>Names and versions of the engines; part of every content key.</summary>
    string Version { get; }

    /// <summary>The shape box of each layer by ordinal, in drawing units; null for layers without one.</summary>
    Task<IReadOnlyList<Box?>> MeasureAsync(DrawingTree drawing, CancellationToken cancel);

    /// <summary>Draws a layer alone to see where its ink lies.</summary>
    /// <param name="isolation">The layer.</param>
    /// <param name="shape">Where it lies, in drawing units.</param>
    /// <param name="cancel">Ends the wait.</param>
    Task<Look> LookAsync(Isolating.Isolation isolation, Box shape, CancellationToken cancel);

    /// <summary>Draws a document as a PNG of exactly this size.</summary>
    /// <param name="document">SVG text made by this core.</param>
    /// <param name="width">px.</param>
    /// <param name="height">px.</param>
    /// <param name="quality">How hard to try to make it small.</param>
    /// <param name="cancel">Ends the wait.</param>
    Task<Drawn> DrawAsync(string document, int width, int height, Effort quality, CancellationToken cancel);

    /// <summary>Makes a PNG of a picture in a format that drawings cannot hold, such as WebP.</summary>
    Task<Drawn> ToPngAsync(byte[] picture, CancellationToken cancel);

    /// <summary>The family that is drawn instead of a font that is not there; null for one that is.</summary>
    string? StandInFor(string family);
}
