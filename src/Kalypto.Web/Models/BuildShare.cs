namespace Kalypto.Web.Models;

/// <summary>What a platform and kind have of a delivery.</summary>
/// <param name="Platform">The platform.</param>
/// <param name="Kind">The kind of the pictures.</param>
/// <param name="Files">How many files.</param>
/// <param name="Bytes">Their weight.</param>
/// <param name="Weight">The same in words.</param>
public sealed record BuildShare(string Platform, string Kind, int Files, long Bytes, string Weight);
