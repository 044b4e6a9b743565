using Kalypto.Core.Formats;

namespace Kalypto.Core.Rendering;

/// <summary>A file to make.</summary>
/// <param name="Document">What it shows: SVG text made by this core.</param>
/// <param name="Width">px; pt for a file of shapes.</param>
/// <param name="Height">px; pt for a file of shapes.</param>
/// <param name="Ask">Its format and quality.</param>
/// <param name="Credit">Lines that it carries.</param>
public sealed record FileOrder(string Document, double Width, double Height, FormatAsk Ask, CreditLines Credit);
