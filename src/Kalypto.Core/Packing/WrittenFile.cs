namespace Kalypto.Core.Packing;

/// <summary>A text file of a pack as it was written.</summary>
/// <param name="Platform">The id of its platform.</param>
/// <param name="Path">Where it lies in the pack, with slashes.</param>
/// <param name="Bytes">Its weight in bytes.</param>
/// <param name="Sha256">SHA-256 of its bytes, 64 lower-case hexadecimal digits.</param>
public sealed record WrittenFile(string Platform, string Path, long Bytes, string Sha256);
