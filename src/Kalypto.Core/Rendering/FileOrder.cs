using Kalypto.Core.Formats;
using Kalypto.Core.Isolating;

namespace Kalypto.Core.Rendering;

/// <summary>A file to make.</summary>
/// <param name="Scene">What it shows.</param>
/// <param name="Width">px; pt for a file of shapes.</param>
/// <param name="Height">px; pt for a file of shapes.</param>
/// <param name="Ask">Its format and quality.</param>
/// <param name="Credit">Lines that it carries.</param>
public sealed record FileOrder(Scene Scene, double Width, double Height, FormatAsk Ask, CreditLines Credit)
{
    /// <summary>The lines around it that say how it stretches; null for a plain picture.</summary>
    public NinePatch? Patch { get; init; }

    /// <summary>True to keep colours beyond sRGB, in Display P3; the scene is one for the exact engine then.</summary>
    public bool KeepsWide { get; init; }
}
