using Kalypto.Core.Designs;

namespace Kalypto.Core.Tagging;

/// <summary>Where a layer's shape lies in a fixed box: pinned to edges, in the middle, or the box put by hand.</summary>
public abstract record BoxPlace
{
    private static readonly string[] Words =
        ["top-left", "top", "top-right", "left", "centre", "right", "bottom-left", "bottom", "bottom-right"];

    /// <summary>In the middle both ways.</summary>
    public static BoxPlace Centre { get; } = new Pinned(0, 0);

    /// <summary>All places with a word of their own.</summary>
    public static IReadOnlyList<string> All => Words;

    /// <summary>Pinned to edges of the box.</summary>
    /// <param name="X">-1 for the left edge, 0 for the middle, 1 for the right one.</param>
    /// <param name="Y">-1 for the top edge, 0 for the middle, 1 for the bottom one.</param>
    public sealed record Pinned(int X, int Y) : BoxPlace
    {
        /// <inheritdoc/>
        public override string ToString() => Words[(Y + 1) * 3 + X + 1];
    }

    /// <summary>The corner of the box, counted from the top left corner of the layer's shape.</summary>
    /// <param name="X">pt to the right; from -10,000 to 10,000.</param>
    /// <param name="Y">pt down; the same range.</param>
    public sealed record Corner(double X, double Y) : BoxPlace
    {
        /// <inheritdoc/>
        public override string ToString() => $"{Numbers.Text(X, 2)},{Numbers.Text(Y, 2)}";
    }

    /// <summary>Reads <c>top-left</c> or <c>-2,3</c>; null for anything else.</summary>
    public static BoxPlace? Parse(string text) =>
        Array.IndexOf(Words, text) is >= 0 and var at ? new Pinned(at % 3 - 1, at / 3 - 1)
        : text.Split(',') is [var x, var y] && Numbers.List($"{x} {y}") is [>= -10_000 and <= 10_000 and var left, >= -10_000 and <= 10_000 and var top]
            ? new Corner(Math.Round(left, 2), Math.Round(top, 2)) : null;
}
