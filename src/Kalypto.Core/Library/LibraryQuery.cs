using System.Collections.Immutable;

namespace Kalypto.Core.Library;

/// <summary>What somebody looks for in the library. What is not said is not asked.</summary>
public sealed record LibraryQuery
{
    /// <summary>Words, each of which is to stand somewhere in the names, kinds, tags, screens or projects.</summary>
    public string Words { get; init; } = "";

    /// <summary>A kind.</summary>
    public string? Kind { get; init; }

    /// <summary>The id of a platform that it was shipped for.</summary>
    public string? Platform { get; init; }

    /// <summary>The least longer side, in pt.</summary>
    public double? From { get; init; }

    /// <summary>The largest longer side, in pt.</summary>
    public double? To { get; init; }

    /// <summary>A colour that is to be one of its main ones, <c>#rrggbb</c>.</summary>
    public string? Colour { get; init; }

    /// <summary>What it is to look like: any of these; none where that is not asked.</summary>
    public ImmutableArray<PictureHash> Like { get; init; } = [];
}
