namespace Kalypto.Store;

/// <summary>A picture that is drawn, or cannot be.</summary>
/// <param name="Key">The key of all that goes into it.</param>
/// <param name="Sha256">Its bytes; null when it cannot be drawn.</param>
/// <param name="Weight">Its weight in bytes.</param>
/// <param name="Failure">Why it cannot be drawn; null when it could.</param>
/// <param name="Note">What people should know of it, such as the quality that was found; null for nothing.</param>
public sealed record DrawingRow(string Key, string? Sha256, long Weight, string? Failure, string? Note = null)
{
    /// <summary>True for a failure that is no property of the drawing and is tried again after a while.</summary>
    public bool IsPassing { get; init; }
}
