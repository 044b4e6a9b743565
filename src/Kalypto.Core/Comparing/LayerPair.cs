namespace Kalypto.Core.Comparing;

/// <summary>A layer of an earlier draft and the layer of a later one that is taken for it.</summary>
/// <param name="Old">Ordinal in the earlier draft.</param>
/// <param name="New">Ordinal in the later draft.</param>
/// <param name="Grade">How sure it is.</param>
/// <param name="Reason">What speaks most for it.</param>
public readonly record struct LayerPair(int Old, int New, PairGrade Grade, PairReason Reason);
