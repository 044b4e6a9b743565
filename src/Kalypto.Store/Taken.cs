namespace Kalypto.Store;

/// <summary>Where a draft was taken from: a layer of another project, as a delivery had it.</summary>
/// <param name="Design">The design of the original.</param>
/// <param name="Lineage">Which layer of that.</param>
/// <param name="Build">The delivery.</param>
/// <param name="Drawing">The fingerprint of its isolated drawing.</param>
public sealed record Taken(int Design, int Lineage, int Build, string Drawing);
