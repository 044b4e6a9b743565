namespace Kalypto.Core.Composing;

/// <summary>How the blocks in a block follow one another.</summary>
public enum Flow
{
    /// <summary>There is nothing in it.</summary>
    None,
    /// <summary>From left to right.</summary>
    Row,
    /// <summary>From top to bottom.</summary>
    Column,
    /// <summary>In rows of equally many, whose columns are in line.</summary>
    Grid,
    /// <summary>One over another, from the bottom to the top.</summary>
    Stack,
}
