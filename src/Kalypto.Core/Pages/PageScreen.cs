using System.Collections.Immutable;

namespace Kalypto.Core.Pages;

/// <summary>A screen as a page sees it.</summary>
/// <param name="Name">What it is called.</param>
/// <param name="Width">In pt.</param>
/// <param name="Height">In pt.</param>
/// <param name="Parts">From the bottom to the top.</param>
/// <param name="Groups">The groups around them, by ordinal.</param>
public sealed record PageScreen(string Name, double Width, double Height, ImmutableArray<PagePart> Parts, IReadOnlyDictionary<int, PageGroup> Groups)
{
    /// <summary>How many shapes that nobody decided on are too many to be shown each by itself; 0 where all are shown.</summary>
    public int LeftOut { get; init; }

    /// <summary>The other pages and this one: the name of the screen, and its address from here.</summary>
    public ImmutableArray<PageLink> Links { get; init; } = [];

    /// <summary>The language of its words, as a tag of BCP 47.</summary>
    public string Language { get; init; } = "en";
}
