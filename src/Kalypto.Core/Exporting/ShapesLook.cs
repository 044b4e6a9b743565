using Kalypto.Core.Formats;

namespace Kalypto.Core.Exporting;

/// <summary>How a layer is written as a file of shapes.</summary>
/// <param name="Ground">A colour under it, <c>#rrggbb</c>; null for none.</param>
public sealed record ShapesLook(string? Ground = null)
{
    /// <summary>As it is drawn.</summary>
    public static ShapesLook Plain { get; } = new();

    /// <summary>Lines to carry.</summary>
    public CreditLines Credit { get; init; } = CreditLines.None;

    /// <summary>True to paint a drawing of one colour in that of the code around it: <c>currentColor</c> (CSS Color 4, 6.2), or a tint on Android.</summary>
    public bool TakesColour { get; init; }

    /// <summary>True to be turned round where languages are written from right to left, in a format that says so itself.</summary>
    public bool Mirrors { get; init; }
}
