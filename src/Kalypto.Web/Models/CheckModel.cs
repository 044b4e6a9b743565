namespace Kalypto.Web.Models;

/// <summary>One check with what it found.</summary>
public sealed record CheckModel(string Name, string Severity, int Count, int Fixable, IReadOnlyList<CheckFinding> Findings);
