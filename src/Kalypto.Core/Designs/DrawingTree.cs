using System.Collections.Immutable;

namespace Kalypto.Core.Designs;

/// <summary>A drawing as read: the normalised tree, its layers, its screens, and what could not be taken over.</summary>
public sealed class DrawingTree
{
    /// <summary>The SHA-256 of the file, where that is an SVG; null for other formats.</summary>
    public string? Source { get; init; }

    /// <summary>The root element.</summary>
    public required Element Root { get; init; }

    /// <summary>The size of the drawing in drawing units.</summary>
    public required Box Box { get; init; }

    /// <summary>All layers by ordinal.</summary>
    public required ImmutableArray<Layer> Layers { get; init; }

    /// <summary>The screens, at least one.</summary>
    public required ImmutableArray<Screen> Screens { get; init; }

    /// <summary>What can be referred to, by id.</summary>
    public required IReadOnlyDictionary<string, Definition> Definitions { get; init; }

    /// <summary>What could not be taken over.</summary>
    public required ImmutableArray<ReadingNote> Notes { get; init; }
}
