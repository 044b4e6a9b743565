using Kalypto.Application.Opening;
using Kalypto.Core.Designs;
using Kalypto.Core.Packing;
using Kalypto.Core.Platforms;

namespace Kalypto.Application.Packs;

/// <summary>What of the pack is to be built: everything, or what all that is said here has in common.</summary>
/// <param name="Platform">The id of a platform, or null.</param>
/// <param name="Design">The design of a screen, or null.</param>
/// <param name="Screen">The layer that stands for the screen, or null.</param>
/// <param name="Layers">Layers that were picked, or null.</param>
public sealed record BuildAsk(string? Platform = null, int? Design = null, int? Screen = null, IReadOnlyList<LayerRef>? Layers = null)
{
    /// <summary>True for a file of the part.</summary>
    public Func<PlannedFile, bool> Holds(Workspace workspace)
    {
        var picked = Layers?.ToHashSet();
        var screen = Design is { } design && Screen is { } root ? workspace.FindScreen(design, root)?.Screen : null;
        // Of a screen that is gone nothing is built.
        var onScreen = Design is null && Screen is null ? null : screen is null ? [] : workspace.FindDesign(Design!.Value)!.Value.State.Measured.LayersOf(screen).Select(l => l.Ordinal).ToHashSet();
        return file => (Platform is null || file.Platform == Platform)
            && (picked is null || file.Picture.Places.Any(picked.Contains) || file.Picture.PartOf is { } group && picked.Contains(group))
            && (onScreen is null || file.Picture.Places.Any(p => p.Design == Design && onScreen.Contains(p.Ordinal)));
    }

    /// <summary>The part in words; empty for everything.</summary>
    public string Words(Workspace workspace) => string.Join(", ", new[]
    {
        Platform is null ? null : AllPlatforms.List.FirstOrDefault(p => p.Id == Platform)?.Name,
        Design is { } design && Screen is { } root ? workspace.FindScreen(design, root)?.Screen.Name : null,
        Layers is null ? null : $"{Layers.Count} picked layer{(Layers.Count == 1 ? "" : "s")}",
    }.Where(w => w is not null));
}
