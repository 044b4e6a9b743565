using Kalypto.Core.Designs;

namespace Kalypto.Core.Rendering;

/// <summary>What was seen when a layer was drawn alone.</summary>
/// <param name="Ink">The smallest box with every visible pixel, in drawing units; null when nothing is visible.</param>
/// <param name="Failure">Why the layer could not be drawn; null when it could.</param>
public sealed record Look(Box? Ink, string? Failure)
{
    /// <summary>The one colour that all that is seen of it has, <c>#rrggbb</c>; null for several.</summary>
    public string? Colour { get; init; }

    /// <summary>True when nothing shows through within its ink: with one colour it is a plain rectangle.</summary>
    public bool IsFull { get; init; }

    /// <summary>What quick files of it weighed; null where nothing was seen.</summary>
    public SeenWeights? Weights { get; init; }

    /// <summary>True for a failure that is no property of the drawing: whoever drew it died or ran out of time, and another attempt may go well.</summary>
    public bool IsPassing { get; init; }

    /// <summary>True when it ran out of time.</summary>
    public bool IsSlow { get; init; }
}
