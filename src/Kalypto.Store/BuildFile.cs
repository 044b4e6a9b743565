namespace Kalypto.Store;

/// <summary>A file of a build.</summary>
/// <param name="Path">Where it lies in the zip, with slashes.</param>
/// <param name="Sha256">Its content.</param>
/// <param name="Weight">Its weight in bytes.</param>
public sealed record BuildFile(string Path, string Sha256, long Weight);
