namespace Kalypto.Core.Library;

/// <summary>A delivery that something shipped in.</summary>
/// <param name="Build">The build that it is.</param>
/// <param name="Number">Its number in its project.</param>
/// <param name="At">When it was made.</param>
public sealed record ShippedIn(int Build, int Number, DateTime At);
