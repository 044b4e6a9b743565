using Kalypto.Application.Opening;
using Kalypto.Core.Deciding;
using Kalypto.Core.Designs;
using Kalypto.Core.Naming;
using Kalypto.Core.Packing;
using Kalypto.Core.Platforms;
using Kalypto.Core.Tagging;

namespace Kalypto.Application.Packs;

/// <summary>What of the pack is to be built: everything, or what all that is said here has in common.</summary>
/// <param name="Platform">The id of a platform, or null.</param>
/// <param name="Design">The design of a screen, or null.</param>
/// <param name="Screen">The layer that stands for the screen, or null.</param>
/// <param name="Layers">Layers that were picked, or null.</param>
/// <param name="Just">Tags that say what is made of the picked layers, whatever is decided on them, such as <c>png@1x</c>; null for what the pack makes of them.</param>
public sealed record BuildAsk(string? Platform = null, int? Design = null, int? Screen = null, IReadOnlyList<LayerRef>? Layers = null, string? Just = null)
{
    private const int LongestSearch = 60;
    private const string UsualJust = "png";

    /// <summary>A kind, or null.</summary>
    public string? Kind { get; init; }

    /// <summary>A format with its quality as a tag, or null.</summary>
    public string? Format { get; init; }

    /// <summary>Letters in the path or the name of the layer, or null.</summary>
    public string? Search { get; init; }

    /// <summary>A folder with all below it, or null.</summary>
    public string? Folder { get; init; }

    /// <summary>What is wrong with the tags, as a sentence; null when they can be built.</summary>
    public string? MistakeFor(Workspace workspace) => Just is null ? null
        : Layers is null or { Count: 0 } ? "Pick layers first."
        : TagLine.Parse(Just, workspace.Recipes.OwnKinds).Mistakes is [var mistake, ..] ? mistake.Sentence : null;

    /// <summary>The project as it is built: with the picked layers as they are wanted for once.</summary>
    public Workspace On(Workspace workspace)
    {
        if (Just is null || Layers is null)
        {
            return workspace;
        }
        var line = TagLine.Parse($"{Just} only", workspace.Recipes.OwnKinds);
        var wanted = line.ApplyTo(Tags.Empty);
        wanted = wanted.Formats.Any(f => f.Value.Made) ? wanted : TagLine.Parse(UsualJust).ApplyTo(wanted);
        return workspace.With(Layers.Where(l => workspace.FindLayer(l.Design, l.Ordinal) is not null).Distinct().ToDictionary(l => l, l => workspace.MarkOf(l) is var mark
            ? mark with { Decision = Decision.Ship, Apart = true, Tags = wanted.Over(mark.Tags with { Formats = mark.Tags.Formats.Clear(), Scales = [], Wide = [], Tall = [] }) } : mark));
    }

    /// <summary>True for a file of the part.</summary>
    public Func<PlannedFile, bool> Holds(Workspace workspace)
    {
        var picked = Layers?.ToHashSet();
        var screen = Design is { } design && Screen is { } root ? workspace.FindScreen(design, root)?.Screen : null;
        // Of a screen that is gone nothing is built.
        var onScreen = Design is null && Screen is null ? null : screen is null ? [] : workspace.FindDesign(Design!.Value)!.Value.State.Measured.LayersOf(screen).Select(l => l.Ordinal).ToHashSet();
        var (below, words) = (Folder + "/", Search?.Trim());
        return file => (Platform is null || file.Platform == Platform)
            && (string.IsNullOrEmpty(Kind) || file.Picture.Making.Kind == Kind) && (string.IsNullOrEmpty(Format) || file.Ask.Format.ToString() == Format)
            && (string.IsNullOrEmpty(Folder) || file.Path.StartsWith(below, StringComparison.Ordinal))
            && (string.IsNullOrEmpty(words) || file.Path.Contains(words, StringComparison.OrdinalIgnoreCase) || file.Picture.Name.Contains(words, StringComparison.OrdinalIgnoreCase))
            && (picked is null || file.Picture.Places.Any(picked.Contains) || file.Picture.PartOf is { } group && picked.Contains(group))
            && (onScreen is null || file.Picture.Places.Any(p => p.Design == Design && onScreen.Contains(p.Ordinal)));
    }

    /// <summary>The part in words; empty for everything.</summary>
    public string Words(Workspace workspace) => string.Join(", ", new[]
    {
        Platform is null ? null : AllPlatforms.List.FirstOrDefault(p => p.Id == Platform)?.Name,
        Design is { } design && Screen is { } root ? workspace.FindScreen(design, root)?.Screen.Name : null,
        string.IsNullOrEmpty(Kind) ? null : Kind,
        string.IsNullOrEmpty(Format) ? null : Format,
        string.IsNullOrEmpty(Folder) ? null : Folder + "/",
        string.IsNullOrWhiteSpace(Search) ? null : $"“{PlainText.Clean(Search, LongestSearch)}”",
        Layers is null ? null : $"{Layers.Count} picked layer{(Layers.Count == 1 ? "" : "s")}{(Just is null ? "" : $" as just {(Just.Length == 0 ? UsualJust : Just)}")}",
    }.Where(w => w is not null));
}
