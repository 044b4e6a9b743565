namespace Kalypto.Store;

/// <summary>A layer of a draft.</summary>
/// <param name="Draft">The number of the draft.</param>
/// <param name="Ordinal">The layer.</param>
public readonly record struct LayerKey(int Draft, int Ordinal);
