namespace Kalypto.Store;

/// <summary>What an undo or redo did.</summary>
/// <param name="Label">The edit, in words.</param>
/// <param name="Layers">The layers it changed.</param>
public sealed record EditDone(string Label, IReadOnlyList<LayerKey> Layers);
