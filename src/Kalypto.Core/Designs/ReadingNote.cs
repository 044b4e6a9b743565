namespace Kalypto.Core.Designs;

/// <summary>Something that the reader could not take over as it is.</summary>
/// <param name="Layer">The ordinal of the layer, or null for the drawing as a whole.</param>
/// <param name="Sentence">What was found and what becomes of it.</param>
public sealed record ReadingNote(int? Layer, string Sentence)
{
    /// <summary>True for what the exact engine draws all the same.</summary>
    public bool IsBeyond { get; init; }
}
