namespace Kalypto.Core.Proving;

/// <summary>A rectangle of pixels; the right and lower edge are no part of it.</summary>
/// <param name="Left">px.</param>
/// <param name="Top">px.</param>
/// <param name="Right">px.</param>
/// <param name="Bottom">px.</param>
public readonly record struct PixelBox(int Left, int Top, int Right, int Bottom)
{
    /// <summary>px.</summary>
    public int Width => Right - Left;

    /// <summary>px.</summary>
    public int Height => Bottom - Top;

    /// <summary>True when they have a pixel in common.</summary>
    public bool Meets(PixelBox other) => Left < other.Right && other.Left < Right && Top < other.Bottom && other.Top < Bottom;
}
