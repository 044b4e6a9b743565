namespace Kalypto.Drawing;

/// <summary>A font as a file that processes of the engines can read.</summary>
/// <param name="Path">The file, TTF or OTF.</param>
/// <param name="Names">The names that texts ask for it by.</param>
/// <param name="Styles">The styles of a variable one that have a name of their own, with that name.</param>
/// <param name="IsOutlinedOnly">True for one that must not be embedded: its texts are outlines in every document.</param>
internal sealed record FontOnDisk(string Path, IReadOnlyList<string> Names, IReadOnlyDictionary<string, string> Styles, bool IsOutlinedOnly);
