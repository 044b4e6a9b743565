namespace Kalypto.Web.Models;

/// <summary>A finding with where it is.</summary>
public sealed record CheckFinding(int Design, int Layer, string Sentence, string? Fix, bool IsEdit, string Link);
