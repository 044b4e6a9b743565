namespace Kalypto.Core.Library;

/// <summary>A colour that much of a picture has.</summary>
/// <param name="Hex"><c>#rrggbb</c>.</param>
/// <param name="Share">How much of what is visible has it, from 0 to 1.</param>
public sealed record MainColour(string Hex, double Share);
