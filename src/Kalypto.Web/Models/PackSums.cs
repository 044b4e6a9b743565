namespace Kalypto.Web.Models;

/// <summary>Sums of the files shown, by one of what they have in common.</summary>
/// <param name="Name">What they have in common: platform, format, size, kind or screen.</param>
/// <param name="Rows">The sums, heaviest first.</param>
public sealed record PackSums(string Name, IReadOnlyList<PackSumRow> Rows);
