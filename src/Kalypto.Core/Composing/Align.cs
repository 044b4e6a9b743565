namespace Kalypto.Core.Composing;

/// <summary>What the blocks of a row or column have in common across it.</summary>
public enum Align
{
    /// <summary>Their upper or left edge.</summary>
    Start,
    /// <summary>Their middle.</summary>
    Center,
    /// <summary>Their lower or right edge.</summary>
    End,
    /// <summary>Both edges: they are of one size.</summary>
    Stretch,
    /// <summary>Nothing: each lies where it lies.</summary>
    None,
}
