namespace Kalypto.Core.Tagging;

/// <summary>What lies under a picture: nothing, a colour, or what the drawing has there.</summary>
public abstract record Ground
{
    /// <summary>Nothing: the picture is transparent where nothing is drawn.</summary>
    public sealed record Nothing : Ground
    {
        /// <inheritdoc/>
        public override string ToString() => "nothing";
    }

    /// <summary>What lies beneath the layer on its screen.</summary>
    public sealed record Screen : Ground
    {
        /// <inheritdoc/>
        public override string ToString() => "screen";
    }

    /// <summary>One colour.</summary>
    /// <param name="Hex"><c>#rrggbb</c>, in small letters.</param>
    public sealed record Colour(string Hex) : Ground
    {
        /// <inheritdoc/>
        public override string ToString() => Hex;
    }

    /// <summary>Reads <c>screen</c>, <c>nothing</c>, <c>#rrggbb</c> or <c>#rgb</c>; null for anything else.</summary>
    public static Ground? Parse(string text) => text.ToLowerInvariant() switch
    {
        "nothing" => new Nothing(),
        "screen" => new Screen(),
        ['#', var r, var g, var b] when char.IsAsciiHexDigit(r) && char.IsAsciiHexDigit(g) && char.IsAsciiHexDigit(b) => new Colour($"#{r}{r}{g}{g}{b}{b}"),
        ['#', .. { Length: 6 } hex] when hex.All(char.IsAsciiHexDigit) => new Colour("#" + hex),
        _ => null,
    };
}
