namespace Kalypto.Web.Models;

/// <summary>A file on the pack page.</summary>
public sealed record PackFile(string Name, string Pixels, string Weight, bool IsEstimate, string? Failure);
