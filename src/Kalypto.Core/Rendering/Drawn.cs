namespace Kalypto.Core.Rendering;

/// <summary>What came of drawing: bytes, or why there are none.</summary>
/// <param name="Bytes">The encoded picture; null when it failed.</param>
/// <param name="Failure">Why it failed, as a sentence; null when it did not.</param>
/// <param name="Note">What people should know of it, such as the quality that was found; null for nothing.</param>
public sealed record Drawn(byte[]? Bytes, string? Failure, string? Note = null)
{
    /// <summary>True for a failure that is no property of the drawing: whoever drew it died or ran out of time, and another attempt may go well.</summary>
    public bool IsPassing { get; init; }

    /// <summary>True when it ran out of time.</summary>
    public bool IsSlow { get; init; }
}
