namespace Kalypto.Core.Styling;

/// <summary>The radii of the corners of a box, in pt, from the upper left one clockwise.</summary>
public readonly record struct Radii(double UpperLeft, double UpperRight, double LowerRight, double LowerLeft)
{
    /// <summary>The same all around.</summary>
    public static Radii All(double radius) => new(radius, radius, radius, radius);

    /// <summary>True for corners that are not round.</summary>
    public bool AreNone => this == default;

    /// <summary>True when all four are the same.</summary>
    public bool AreOne => UpperLeft == UpperRight && UpperRight == LowerRight && LowerRight == LowerLeft;
}
