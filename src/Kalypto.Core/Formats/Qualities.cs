namespace Kalypto.Core.Formats;

/// <summary>The sorts of quality that a format knows.</summary>
[Flags]
public enum Qualities
{
    /// <summary>There is nothing to choose.</summary>
    None = 0,
    /// <summary>A number from 1 to 100, a search or a bound.</summary>
    Lossy = 1,
    /// <summary>Every pixel kept.</summary>
    Lossless = 2,
    /// <summary>Texts as outlines, or as texts.</summary>
    Outlines = 4,
    /// <summary>Pictures inside it in files beside it.</summary>
    Linked = 8,
}
