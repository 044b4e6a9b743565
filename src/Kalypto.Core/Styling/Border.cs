using System.Collections.Immutable;

namespace Kalypto.Core.Styling;

/// <summary>The border of a box. It lies inside the box, as CSS has it with <c>box-sizing: border-box</c>.</summary>
/// <param name="Fill">What it is painted with.</param>
/// <param name="Width">In pt.</param>
/// <param name="Dashes">The lengths of dashes and gaps in pt; none for a whole line.</param>
public sealed record Border(Fill Fill, double Width, ImmutableArray<double> Dashes)
{
    /// <inheritdoc/>
    public bool Equals(Border? other) => other is not null && Fill.Equals(other.Fill) && Width == other.Width && Dashes.SequenceEqual(other.Dashes);

    /// <inheritdoc/>
    public override int GetHashCode() => HashCode.Combine(Fill, Width, Dashes.Length);
}
