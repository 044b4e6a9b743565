using Kalypto.Application.Opening;
using Kalypto.Core.Packing;

namespace Kalypto.Application.Packs;

/// <summary>What somebody wants to see of the pack.</summary>
/// <param name="Platform">The id of a platform, or null for all.</param>
/// <param name="Design">The design of a screen, or null for all screens.</param>
/// <param name="Screen">The layer that stands for the screen.</param>
/// <param name="Kind">A kind, or null for all.</param>
/// <param name="Format">A format with its quality as a tag, or null for all.</param>
/// <param name="Search">Letters in the path or the name of the layer.</param>
/// <param name="Folder">A folder, with all below it.</param>
/// <param name="By">The order: path, name or weight.</param>
/// <param name="Most">How many files to show.</param>
public sealed record PackQuery(
    string? Platform = null, int? Design = null, int? Screen = null, string? Kind = null, string? Format = null, string? Search = null, string? Folder = null,
    string? By = null, int Most = PackQuery.Usual)
{
    /// <summary>How many files are shown at first.</summary>
    public const int Usual = 240;

    /// <summary>The part of the pack that can be built by itself.</summary>
    public BuildAsk Part => new(Platform, Design, Screen) { Kind = Kind, Format = Format, Search = Search, Folder = Folder };

    /// <summary>The files that are meant, in no folder in particular.</summary>
    public IReadOnlyList<PlannedFile> Among(Workspace workspace, PlannedPack plan)
    {
        return [.. plan.Pack.Files.Where((Part with { Folder = null }).Holds(workspace))];
    }

    /// <summary>Those of the files in the folder, in the order asked.</summary>
    public IReadOnlyList<PlannedFile> InFolder(IReadOnlyList<PlannedFile> files, PlannedPack plan)
    {
        var below = Folder + "/";
        var inside = string.IsNullOrEmpty(Folder) ? files : [.. files.Where(f => f.Path.StartsWith(below, StringComparison.Ordinal))];
        return By switch
        {
            "weight" => [.. inside.OrderByDescending(f => plan.WeightOf(f).Bytes)],
            "name" => [.. inside.OrderBy(f => f.Picture.Name, StringComparer.OrdinalIgnoreCase)],
            _ => inside,
        };
    }
}
