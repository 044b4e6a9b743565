namespace Kalypto.Core.Designs;

/// <summary>A layer of a project: the design and the place in its drawing.</summary>
/// <param name="Design">The number of the design.</param>
/// <param name="Ordinal">The ordinal of the layer in the current draft.</param>
public readonly record struct LayerRef(int Design, int Ordinal);
