namespace Kalypto.Store;

/// <summary>A layer of a design through all its drafts.</summary>
/// <param name="Design">The number of the design.</param>
/// <param name="Lineage">The layer.</param>
internal readonly record struct LineageKey(int Design, int Lineage);
