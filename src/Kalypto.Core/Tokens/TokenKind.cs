namespace Kalypto.Core.Tokens;

/// <summary>What a token is a value of.</summary>
public enum TokenKind
{
    /// <summary>A colour.</summary>
    Colour,
    /// <summary>A way of setting words.</summary>
    Type,
    /// <summary>A radius of corners.</summary>
    Radius,
    /// <summary>The shadows of a layer.</summary>
    Shadow,
    /// <summary>A border.</summary>
    Border,
    /// <summary>A distance between things.</summary>
    Space,
}
