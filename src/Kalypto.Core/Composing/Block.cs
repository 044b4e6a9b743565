using System.Collections.Immutable;
using Kalypto.Core.Designs;

namespace Kalypto.Core.Composing;

/// <summary>A box of a page, with what lies in it and how that follows one another.</summary>
/// <param name="Box">Where it lies on the screen, in pt.</param>
public sealed record Block(Box Box)
{
    /// <summary>What it shows itself: of a leaf its picture or words, else the box that the others lie in; null for one that only keeps others together.</summary>
    public Piece? Piece { get; init; }

    /// <summary>What of its box parts it from others, in pt.</summary>
    public Box Core { get; init; } = Box;

    /// <summary>How what lies in it follows one another.</summary>
    public Flow Flow { get; init; }

    /// <summary>What lies in it, in the order that it is read; of a stack, from the bottom to the top.</summary>
    public ImmutableArray<Block> Children { get; init; } = [];

    /// <summary>Between its edges and what lies in it, in pt.</summary>
    public Edges Padding { get; init; }

    /// <summary>Between neighbours along its flow, in pt; null where they differ.</summary>
    public double? Gap { get; init; }

    /// <summary>Between the rows of a grid, in pt; null where they differ, and for all else.</summary>
    public double? RowGap { get; init; }

    /// <summary>What its blocks have in common across its flow.</summary>
    public Align Align { get; init; } = Align.None;

    /// <summary>How many columns a grid has; 0 for all else.</summary>
    public int Columns { get; init; }

    /// <summary>True when all that lies in it looks alike: a list.</summary>
    public bool IsList { get; init; }

    /// <summary>It and all blocks in it.</summary>
    public IEnumerable<Block> All => Children.SelectMany(c => c.All).Prepend(this);

    /// <summary>Equal for blocks that are built alike of pieces that look alike, whatever they say or show.</summary>
    public string Look => $"{Piece?.Look}{(Flow == Flow.None ? "" : $"({Flow} {string.Join(' ', Children.Select(c => c.Look))})")}";
}
