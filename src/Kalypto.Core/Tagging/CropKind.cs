using Kalypto.Core.Designs;

namespace Kalypto.Core.Tagging;

/// <summary>Which rectangle of the drawing becomes the picture.</summary>
public abstract record CropKind
{
    /// <summary>Every visible pixel, shadows, blurs and strokes included.</summary>
    public sealed record Ink : CropKind
    {
        /// <inheritdoc/>
        public override string ToString() => "ink";
    }

    /// <summary>The layer's own box: outline and strokes, no shadows.</summary>
    public sealed record Shape : CropKind
    {
        /// <inheritdoc/>
        public override string ToString() => "shape";
    }

    /// <summary>The whole rectangle of its screen.</summary>
    public sealed record Screen : CropKind
    {
        /// <inheritdoc/>
        public override string ToString() => "screen";
    }

    /// <summary>A box of this size, in pt, with the layer's shape somewhere in it.</summary>
    /// <param name="Width">pt, from 1 to 10,000.</param>
    /// <param name="Height">pt, from 1 to 10,000.</param>
    /// <param name="Place">Where the layer's shape lies in it.</param>
    public sealed record Fixed(double Width, double Height, BoxPlace Place) : CropKind
    {
        /// <summary>A box with the layer's shape in its middle.</summary>
        public Fixed(double width, double height)
            : this(width, height, BoxPlace.Centre)
        {
        }

        /// <inheritdoc/>
        public override string ToString() => $"{Numbers.Text(Width)}x{Numbers.Text(Height)}{(Place == BoxPlace.Centre ? "" : $"@{Place}")}";
    }

    /// <summary>Reads <c>ink</c>, <c>shape</c>, <c>screen</c>, <c>28x28</c> or <c>28x28@top-left</c>; null for anything else.</summary>
    public static CropKind? Parse(string text)
    {
        switch (text)
        {
            case "ink": return new Ink();
            case "shape": return new Shape();
            case "screen": return new Screen();
        }
        var at = text.IndexOf('@', StringComparison.Ordinal);
        var size = at < 0 ? text : text[..at];
        return size.Split('x') is [var w, var h] && Numbers.List($"{w} {h}") is [>= 1 and <= 10_000 and var width, >= 1 and <= 10_000 and var height]
            && (at < 0 ? BoxPlace.Centre : BoxPlace.Parse(text[(at + 1)..])) is { } place
                ? new Fixed(width, height, place) : null;
    }
}
