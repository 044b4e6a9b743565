namespace Kalypto.Web.Models;

/// <summary>The files of one layer in one folder.</summary>
public sealed record PackCard(string Name, string Note, string Link, IReadOnlyList<PackFile> Files, IReadOnlyList<string> Pictures);
