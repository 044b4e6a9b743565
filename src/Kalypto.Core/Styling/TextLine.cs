using System.Collections.Immutable;

namespace Kalypto.Core.Styling;

/// <summary>A line of text.</summary>
/// <param name="X">Where it is set from, across, in pt of its screen: its start, middle or end.</param>
/// <param name="Baseline">How far down its letters stand, in pt of its screen.</param>
/// <param name="Runs">Its words.</param>
public sealed record TextLine(double X, double Baseline, ImmutableArray<TextRun> Runs)
{
    /// <summary>How it was measured, once it was; null before.</summary>
    public LineMeasure? Measure { get; init; }

    /// <summary>The words.</summary>
    public string Words => string.Concat(Runs.Select(r => r.Words));

    /// <inheritdoc/>
    public bool Equals(TextLine? other) => other is not null && (X, Baseline, Measure) == (other.X, other.Baseline, other.Measure) && Runs.SequenceEqual(other.Runs);

    /// <inheritdoc/>
    public override int GetHashCode() => HashCode.Combine(X, Baseline, Runs.Length);
}
