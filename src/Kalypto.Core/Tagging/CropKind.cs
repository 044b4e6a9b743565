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

    /// <summary>A box of this size, in pt, with the layer's shape centred in it.</summary>
    public sealed record Fixed(double Width, double Height) : CropKind
    {
        /// <inheritdoc/>
        public override string ToString() => $"{Numbers.Text(Width)}x{Numbers.Text(Height)}";
    }

    /// <summary>Reads <c>ink</c>, <c>shape</c>, <c>screen</c> or <c>28x28</c>; null for anything else.</summary>
    public static CropKind? Parse(string text) => text switch
    {
        "ink" => new Ink(),
        "shape" => new Shape(),
        "screen" => new Screen(),
        _ when text.Split('x') is [var w, var h]
            && Numbers.List($"{w} {h}") is [>= 1 and <= 10_000 and var width, >= 1 and <= 10_000 and var height] => new Fixed(width, height),
        _ => null,
    };
}
