namespace Kalypto.Web.Models;

/// <summary>A layer that a screen can be made of.</summary>
public sealed record BoardGroup(int Ordinal, string Name, double[] Box, string Size);
