namespace Kalypto.Core.Placing;

/// <summary>A file in a place that people left to whoever put or changed it there.</summary>
/// <param name="Path">Where it lies in the place, with slashes.</param>
/// <param name="Sha256">Its content when that was said.</param>
public sealed record LeftFile(string Path, string Sha256);
