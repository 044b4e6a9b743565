namespace Kalypto.Web.Models;

/// <summary>The sums at the foot.</summary>
public sealed record SumModel(int Layers, int Files, string Weight, int Blockers, string? FirstBlocker, bool CanBuild, int Pending, int Findings);
