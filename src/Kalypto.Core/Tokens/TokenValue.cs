using System.Collections.Immutable;
using System.Globalization;
using Kalypto.Core.Designs;
using Kalypto.Core.Styling;
using Kalypto.Core.Styling.Code;

namespace Kalypto.Core.Tokens;

/// <summary>A value that may be a token. One of its properties is set, by its kind. Lengths are in pt.</summary>
public sealed record TokenValue(TokenKind Kind)
{
    /// <summary>The colour, of a colour.</summary>
    public Colour Colour { get; init; }

    /// <summary>How words are set.</summary>
    public TypeStyle? Type { get; init; }

    /// <summary>The radius or distance.</summary>
    public double Length { get; init; }

    /// <summary>The shadows, the topmost first.</summary>
    public ImmutableArray<Shadow> Shadows { get; init; } = [];

    /// <summary>The border.</summary>
    public Border? Border { get; init; }

    /// <summary>The value as a text that tells it from all others of its kind; what people say of a token is kept by it.</summary>
    public string Key => Kind switch
    {
        TokenKind.Colour => $"colour {CssCode.OfColour(Colour)}",
        TokenKind.Type => $"type {Type!.Family} {Type.Weight}{(Type.IsItalic ? " italic" : "")} {Numbers.Text(Type.Size, 2)} {Numbers.Text(Type.LetterSpacing, 2)}{(Type.Decoration == "none" ? "" : " " + Type.Decoration)}",
        TokenKind.Radius => $"radius {Numbers.Text(Length, 2)}",
        TokenKind.Shadow => $"shadow {CssCode.OfShadows(Shadows, CssCode.OfColour)}",
        TokenKind.Border => $"border {Numbers.Text(Border!.Width, 2)} {(Border.Fill is SolidFill solid ? CssCode.OfColour(solid.Colour) : "")}",
        _ => string.Create(CultureInfo.InvariantCulture, $"space {Length}"),
    };

    /// <inheritdoc/>
    public bool Equals(TokenValue? other) => other is not null && Key == other.Key;

    /// <inheritdoc/>
    public override int GetHashCode() => Key.GetHashCode(StringComparison.Ordinal);
}
