namespace Kalypto.Web.Models;

/// <summary>A folder of the pack with all below it.</summary>
public sealed record PackFolder(string Path, string Name, int Depth, int Files, string Weight, IReadOnlyList<PackCard> Cards, IReadOnlyList<string> SideFiles);
