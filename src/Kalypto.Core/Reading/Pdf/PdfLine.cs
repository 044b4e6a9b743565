using Kalypto.Core.Designs;

namespace Kalypto.Core.Reading.Pdf;

/// <summary>A line of words on a page.</summary>
/// <param name="Words">The words.</param>
/// <param name="Box">Where they stand, in pt from the upper left corner of the page.</param>
public sealed record PdfLine(string Words, Box Box);
