namespace Kalypto.Store;

/// <summary>What came of drawing a screen, or a picture as it ships, by both engines.</summary>
/// <param name="Key">The key of all that goes into it.</param>
/// <param name="Equal">The share of the screen that ships as a browser shows it, from 0 to 1; null when it could not be drawn.</param>
/// <param name="Exactly">How many of its layers are drawn exactly for it.</param>
/// <param name="Failure">Why it could not be drawn; null when it could.</param>
public sealed record ProofRow(string Key, double? Equal, int Exactly, string? Failure)
{
    /// <summary>True for a failure that is no property of the drawing and is tried again after a while.</summary>
    public bool IsPassing { get; init; }
}
