namespace Kalypto.Core.Packing;

/// <summary>A picture file of a pack as it was built.</summary>
/// <param name="File">The plan of it.</param>
/// <param name="Bytes">Its weight in bytes.</param>
/// <param name="Sha256">SHA-256 of its bytes, 64 lower-case hexadecimal digits.</param>
public sealed record BuiltFile(PlannedFile File, long Bytes, string Sha256);
