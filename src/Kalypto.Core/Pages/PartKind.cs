namespace Kalypto.Core.Pages;

/// <summary>What a part of a page is.</summary>
public enum PartKind
{
    /// <summary>A picture.</summary>
    Picture,
    /// <summary>Words.</summary>
    Words,
    /// <summary>A box that is built in code.</summary>
    Box,
}
