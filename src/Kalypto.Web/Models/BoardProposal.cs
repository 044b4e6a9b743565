namespace Kalypto.Web.Models;

/// <summary>A way to split the board.</summary>
public sealed record BoardProposal(string By, string Why, IReadOnlyList<double[]> Boxes, IReadOnlyList<string> Names);
