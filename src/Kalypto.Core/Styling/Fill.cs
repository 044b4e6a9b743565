using System.Collections.Immutable;
using Kalypto.Core.Designs;

namespace Kalypto.Core.Styling;

/// <summary>What a box or its border is painted with.</summary>
public abstract record Fill;

/// <summary>One colour.</summary>
/// <param name="Colour">With its own opacity.</param>
public sealed record SolidFill(Colour Colour) : Fill;

/// <summary>Colours along a line.</summary>
/// <param name="Angle">Where it goes, in degrees from upwards, clockwise (CSS Images 3, section 3.1): 180 is downwards.</param>
/// <param name="Stops">The colours, from 0 to 1 along the line that CSS draws at this angle through a box of its size; some may lie outside.</param>
/// <param name="Repeats">True when it begins again behind its last colour.</param>
public sealed record LinearFill(double Angle, ImmutableArray<GradientStop> Stops, bool Repeats) : Fill
{
    /// <inheritdoc/>
    public bool Equals(LinearFill? other) => other is not null && Angle == other.Angle && Repeats == other.Repeats && Stops.SequenceEqual(other.Stops);

    /// <inheritdoc/>
    public override int GetHashCode() => HashCode.Combine(Angle, Repeats, Stops.Length);
}

/// <summary>Colours around a point.</summary>
/// <param name="X">The point, in pt from the left edge of the box.</param>
/// <param name="Y">In pt from the top edge of the box.</param>
/// <param name="Across">The radius across at the last colour, in pt.</param>
/// <param name="Down">The radius down, in pt.</param>
/// <param name="Stops">The colours, from 0 at the point to 1 at the radius.</param>
public sealed record RadialFill(double X, double Y, double Across, double Down, ImmutableArray<GradientStop> Stops) : Fill
{
    /// <inheritdoc/>
    public bool Equals(RadialFill? other) => other is not null && (X, Y, Across, Down) == (other.X, other.Y, other.Across, other.Down) && Stops.SequenceEqual(other.Stops);

    /// <inheritdoc/>
    public override int GetHashCode() => HashCode.Combine(X, Y, Across, Down, Stops.Length);
}
