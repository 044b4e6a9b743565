using System.Collections.Immutable;
using Kalypto.Core.Packing;
using Kalypto.Core.Tagging;

namespace Kalypto.Core.Platforms;

/// <summary>What a platform gets, when it writes the files that go with the pictures.</summary>
/// <param name="Files">Its picture files, by path.</param>
/// <param name="Book">The recipes and credit of the project.</param>
/// <param name="SvgOf">The content of an SVG file.</param>
public sealed record PlatformPack(ImmutableArray<PlannedFile> Files, RecipeBook Book, Func<PlannedFile, string> SvgOf)
{
    /// <summary>The name of the project; empty where it is not known.</summary>
    public string Project { get; init; } = "";

    /// <summary>The files of each picture, in the order of their paths.</summary>
    public IEnumerable<IGrouping<Picture, PlannedFile>> ByPicture => Files.GroupBy(f => f.Picture);
}
