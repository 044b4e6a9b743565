using System.Collections.Immutable;
using Kalypto.Core.Designs;
using Kalypto.Core.Styling;
using Kalypto.Core.Tagging;

namespace Kalypto.Core.Pages;

/// <summary>A layer that a page shows.</summary>
/// <param name="Layer">Its ordinal.</param>
/// <param name="Kind">What it is shown as.</param>
/// <param name="Name">What it is called.</param>
/// <param name="Box">Where it lies on the screen, in pt.</param>
public sealed record PagePart(int Layer, PartKind Kind, string Name, Box Box)
{
    /// <summary>What a tag line says of it.</summary>
    public Tags Said { get; init; } = Tags.Empty;

    /// <summary>The values of words and boxes, measured; null for a picture.</summary>
    public LayerValues? Values { get; init; }

    /// <summary>The files of a picture; null for words, boxes and a picture without a file.</summary>
    public PagePicture? Picture { get; init; }

    /// <summary>The groups that it lies in on its screen, the nearest first, by ordinal.</summary>
    public ImmutableArray<int> Groups { get; init; } = [];

    /// <summary>True when nobody decided on it, so that it stands for what it looks like.</summary>
    public bool IsOpen { get; init; }
}
