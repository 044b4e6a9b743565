namespace Kalypto.Core.Packing;

/// <summary>A small text file that goes with the pictures of a platform.</summary>
/// <param name="Platform">The id of its platform; empty for the pack as a whole.</param>
/// <param name="Path">Where it goes in the pack, with slashes.</param>
/// <param name="Text">Its content.</param>
public sealed record SideFile(string Platform, string Path, string Text);
