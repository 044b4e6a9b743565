namespace Kalypto.Fuzz;

/// <summary>What came of many files.</summary>
/// <param name="Files">How many.</param>
/// <param name="Read">How many were read.</param>
/// <param name="Slowest">The longest time that one took.</param>
/// <param name="Bad">What went wrong, with the file that did it; none is the aim.</param>
public sealed record Outcome(int Files, int Read, TimeSpan Slowest, IReadOnlyList<(string What, byte[] File)> Bad);
