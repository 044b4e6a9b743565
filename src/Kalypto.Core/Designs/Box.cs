namespace Kalypto.Core.Designs;

/// <summary>An axis-aligned rectangle. The unit (drawing units or pt) is said where a box is used.</summary>
/// <param name="X">Left edge.</param>
/// <param name="Y">Top edge.</param>
/// <param name="Width">Width, 0 or more.</param>
/// <param name="Height">Height, 0 or more.</param>
public readonly record struct Box(double X, double Y, double Width, double Height)
{
    /// <summary>The right edge.</summary>
    public double Right => X + Width;

    /// <summary>The bottom edge.</summary>
    public double Bottom => Y + Height;

    /// <summary>True when nothing fits inside.</summary>
    public bool IsEmpty => !(Width > 0 && Height > 0);

    /// <summary>The box between four edges.</summary>
    public static Box FromEdges(double left, double top, double right, double bottom) =>
        new(left, top, Math.Max(0, right - left), Math.Max(0, bottom - top));

    /// <summary>The smallest box that holds both.</summary>
    public Box Union(Box other) => FromEdges(
        Math.Min(X, other.X), Math.Min(Y, other.Y), Math.Max(Right, other.Right), Math.Max(Bottom, other.Bottom));

    /// <summary>What both have in common; empty when they do not meet.</summary>
    public Box Intersect(Box other) => FromEdges(
        Math.Max(X, other.X), Math.Max(Y, other.Y), Math.Min(Right, other.Right), Math.Min(Bottom, other.Bottom));

    /// <summary>The box grown by <paramref name="by"/> on each side (smaller when negative).</summary>
    public Box Inflate(double by) => FromEdges(X - by, Y - by, Right + by, Bottom + by);

    /// <summary>Every number multiplied by <paramref name="by"/>.</summary>
    public Box Scale(double by) => new(X * by, Y * by, Width * by, Height * by);

    /// <summary>The smallest box with whole-number edges that holds this one.</summary>
    /// <param name="tolerance">How far an edge may stick out of a whole number without counting.</param>
    public Box SnapOutwards(double tolerance) => FromEdges(
        Math.Floor(X + tolerance), Math.Floor(Y + tolerance),
        Math.Ceiling(Right - tolerance), Math.Ceiling(Bottom - tolerance));
}
