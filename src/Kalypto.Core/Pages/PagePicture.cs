using System.Collections.Immutable;

namespace Kalypto.Core.Pages;

/// <summary>The files of a picture on a page (HTML, 4.8.3 and 4.8.4.2).</summary>
/// <param name="Source">The file that every browser shows, from the page.</param>
/// <param name="Width">In pt.</param>
/// <param name="Height">In pt.</param>
/// <param name="Alt">What is read aloud instead; empty for a picture that says nothing.</param>
public sealed record PagePicture(string Source, double Width, double Height, string Alt)
{
    /// <summary>The files of <see cref="Source"/>'s own format by density, as <c>srcset</c> has them; empty for one file.</summary>
    public string SourceSet { get; init; } = "";

    /// <summary>Smaller formats that a browser takes instead when it knows them: media type and <c>srcset</c>.</summary>
    public ImmutableArray<(string Type, string SourceSet)> Others { get; init; } = [];
}
