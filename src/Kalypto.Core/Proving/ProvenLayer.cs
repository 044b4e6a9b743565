namespace Kalypto.Core.Proving;

/// <summary>A layer that the quick engine draws otherwise than a browser, as was seen by drawing it with both.</summary>
/// <param name="Ordinal">The layer.</param>
/// <param name="Share">The share of its ink that is other, from 0 to 1.</param>
public sealed record ProvenLayer(int Ordinal, double Share);
