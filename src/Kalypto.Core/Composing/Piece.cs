using Kalypto.Core.Designs;

namespace Kalypto.Core.Composing;

/// <summary>A part of a screen that a page shows: a picture, a box, or words.</summary>
/// <param name="Layer">The ordinal of its layer.</param>
/// <param name="Box">Where it lies on the screen, in pt; of words, their lines with what stands above and below the letters.</param>
public sealed record Piece(int Layer, Box Box)
{
    /// <summary>True for a box that others may lie in; pictures and words hold nothing.</summary>
    public bool IsGround { get; init; }

    /// <summary>What of its box parts it from others, in pt: all of it, but of words just their letters, for the lines of their boxes may touch.</summary>
    public Box Core { get; init; } = Box;

    /// <summary>Equal for pieces that look alike but for what they say or show: a kind, a type style, a fill.</summary>
    public string Look { get; init; } = "";
}
