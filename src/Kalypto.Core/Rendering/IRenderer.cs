using Kalypto.Core.Designs;
using Kalypto.Core.Fonts;
using Kalypto.Core.Isolating;
using Kalypto.Core.Styling;

namespace Kalypto.Core.Rendering;

/// <summary>Draws drawings. Nothing that a drawing does can take the caller down: a failure is a value.</summary>
public interface IRenderer
{
    /// <summary>Names and versions of the engines, as they are loaded; part of every content key.</summary>
    string Version { get; }

    /// <summary>The version of the exact engine, which draws what the quick one does not draw as a browser does; null where there is none.</summary>
    string? Exact { get; }

    /// <summary>What draws here: the engines and every font, by content. Equal for processes that draw all things alike.</summary>
    string Identity { get; }

    /// <summary>A fingerprint of the font files that draw a list of families as CSS has it; empty for the default.</summary>
    string FontsOf(string families);

    /// <summary>The shape box of each layer by ordinal, in drawing units; null for layers without one.</summary>
    /// <param name="drawing">The drawing.</param>
    /// <param name="progress">Is told how many layers are measured, as it goes.</param>
    /// <param name="cancel">Ends the wait.</param>
    Task<IReadOnlyList<Box?>> MeasureAsync(DrawingTree drawing, IProgress<int>? progress, CancellationToken cancel);

    /// <summary>Draws a layer alone to see where its ink lies.</summary>
    /// <param name="isolation">The layer.</param>
    /// <param name="shape">Where it lies, in drawing units.</param>
    /// <param name="isExact">True when proof has shown that the exact engine is needed.</param>
    /// <param name="cancel">Ends the wait.</param>
    Task<Look> LookAsync(Isolation isolation, Box shape, bool isExact, CancellationToken cancel);

    /// <summary>Draws a scene as a PNG of exactly this size.</summary>
    /// <param name="scene">What to draw.</param>
    /// <param name="width">px.</param>
    /// <param name="height">px.</param>
    /// <param name="quality">How hard to try to make it small.</param>
    /// <param name="cancel">Ends the wait.</param>
    Task<Drawn> DrawAsync(Scene scene, int width, int height, Effort quality, CancellationToken cancel);

    /// <summary>Draws a scene into pixels: RGBA, not premultiplied, rows without gaps; as <see cref="Drawn.Bytes"/>.</summary>
    /// <param name="scene">What to draw.</param>
    /// <param name="width">px.</param>
    /// <param name="height">px.</param>
    /// <param name="cancel">Ends the wait.</param>
    Task<Drawn> PixelsAsync(Scene scene, int width, int height, CancellationToken cancel);

    /// <summary>Makes a file of any format but SVG and Android's vectors, which the core writes itself.</summary>
    Task<Drawn> MakeAsync(FileOrder order, CancellationToken cancel);

    /// <summary>The same PNG with its pixels compressed as hard as it goes, which takes several times as long as drawing it; as it is where that makes it no smaller.</summary>
    Task<Drawn> SmallerAsync(byte[] png, CancellationToken cancel);

    /// <summary>Draws a document as an SVG of plain paths, its texts as outlines.</summary>
    /// <param name="scene">What to draw; its document.</param>
    /// <param name="width">Units of the drawing.</param>
    /// <param name="height">Units of the drawing.</param>
    /// <param name="cancel">Ends the wait.</param>
    Task<Drawn> OutlinesAsync(Scene scene, double width, double height, CancellationToken cancel);

    /// <summary>Writes a layer that the exact engine draws out of its own file, with all that style sheets, units and selectors come to said at its elements.</summary>
    /// <param name="scene">The layer, with where it is cut out.</param>
    /// <param name="cancel">Ends the wait.</param>
    /// <returns>SVG in the units of the drawing, to be treated as hostile; empty for what SVG has no words for, such as pages inside a drawing.</returns>
    Task<Drawn> ResolvedAsync(Scene scene, CancellationToken cancel);

    /// <summary>Takes a font out of its wrapping (WOFF, WOFF2), or those of a collection (TTC, OTC) out of it, and reads what each says of itself.</summary>
    /// <param name="file">A file of fonts. Treated as hostile.</param>
    /// <param name="fileName">Its name.</param>
    /// <param name="cancel">Ends the wait.</param>
    /// <exception cref="FontRefusedException">It cannot be used.</exception>
    Task<IReadOnlyList<(Font Font, byte[] File)>> ReadFontsAsync(byte[] file, string fileName, CancellationToken cancel);

    /// <summary>The fonts that an SVG drawing brings along in its style sheets and that can be used, as TTF or OTF.</summary>
    Task<IReadOnlyList<(Font Font, byte[] File)>> FontsInAsync(byte[] drawing, CancellationToken cancel);

    /// <summary>Sets lines of text as the quick engine does and measures them, in their order; none when that fails.</summary>
    Task<IReadOnlyList<LineMeasure>> MeasureTextAsync(IReadOnlyList<TextAsk> texts, FontBook fonts, CancellationToken cancel);

    /// <summary>The picture of all layers together that came with an OpenRaster drawing, a PNG; no bytes where there is none.</summary>
    Task<Drawn> MergedAsync(byte[] drawing, CancellationToken cancel);

    /// <summary>Compares two encoded pictures of one size; null when one cannot be read or their sizes differ.</summary>
    Task<PictureDifference?> CompareAsync(byte[] a, byte[] b, CancellationToken cancel);

    /// <summary>Makes a PNG, upright and in sRGB, of a picture that drawings cannot hold as it is; no bytes for one that they can.</summary>
    Task<Drawn> ToPlainAsync(byte[] picture, CancellationToken cancel);

    /// <summary>The font files that draw a list of families as CSS has it, of those that come with Kalypto.</summary>
    IReadOnlyList<(Font Font, string Path)> FontFilesOf(string families);

    /// <summary>The family that is drawn instead of the first of a list of families as CSS has it, where that is not there; null for one that is.</summary>
    string? StandInFor(string families);
}
