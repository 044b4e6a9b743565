namespace Kalypto.Core.Reading.Pdf;

/// <summary>A page with one of its groups of optional content shown and no other (ISO 32000-1, 8.11).</summary>
/// <param name="Name">The name of the group.</param>
/// <param name="IsVisible">False for one that the document hides at first.</param>
/// <param name="Svg">The page, drawn as SVG: all that belongs to no group, and this one.</param>
public sealed record PdfContent(string Name, bool IsVisible, string Svg);
