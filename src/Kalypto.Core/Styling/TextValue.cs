using System.Collections.Immutable;

namespace Kalypto.Core.Styling;

/// <summary>The words of a layer and how they are set.</summary>
/// <param name="Lines">Its lines, the upper one first.</param>
/// <param name="Anchor">What its lines share: start, middle or end.</param>
public sealed record TextValue(ImmutableArray<TextLine> Lines, string Anchor)
{
    /// <summary>The words, a line each.</summary>
    public string Words => string.Join('\n', Lines.Select(l => l.Words));

    /// <summary>How the most of its letters are set.</summary>
    public TextRun Main => Lines.SelectMany(l => l.Runs).MaxBy(r => r.Words.Length)!;

    /// <inheritdoc/>
    public bool Equals(TextValue? other) => other is not null && Anchor == other.Anchor && Lines.SequenceEqual(other.Lines);

    /// <inheritdoc/>
    public override int GetHashCode() => HashCode.Combine(Anchor, Lines.Length);
}
