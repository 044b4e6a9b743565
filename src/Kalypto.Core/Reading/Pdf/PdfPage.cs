using System.Collections.Immutable;

namespace Kalypto.Core.Reading.Pdf;

/// <summary>A page of a PDF, drawn as SVG.</summary>
/// <param name="Width">pt.</param>
/// <param name="Height">pt.</param>
/// <param name="Svg">What belongs to no group of optional content, as the vector surface of cairo writes it: flat, with letters as shapes that are used.</param>
/// <param name="Lines">The words on it.</param>
/// <param name="Contents">Its groups of optional content, in the order of the document.</param>
public sealed record PdfPage(double Width, double Height, string Svg, ImmutableArray<PdfLine> Lines, ImmutableArray<PdfContent> Contents);
