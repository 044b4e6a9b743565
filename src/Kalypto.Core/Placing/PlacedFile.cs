namespace Kalypto.Core.Placing;

/// <summary>A file in a place.</summary>
/// <param name="Path">Where it lies in the place, with slashes.</param>
/// <param name="Sha256">Its content.</param>
/// <param name="Identity">What makes it the same in any other delivery.</param>
public sealed record PlacedFile(string Path, string Sha256, string Identity);
