namespace Kalypto.Core.Rendering;

/// <summary>What came of drawing: bytes, or why there are none.</summary>
/// <param name="Bytes">The encoded picture; null when it failed.</param>
/// <param name="Failure">Why it failed, as a sentence; null when it did not.</param>
public sealed record Drawn(byte[]? Bytes, string? Failure);
