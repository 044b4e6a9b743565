using System.Runtime.CompilerServices;
using System.Text.Json;
using Kalypto.Application.Opening;
using Kalypto.Core.Deciding;

namespace Kalypto.Application.Packs;

/// <summary>What the first page says of a project, counted when the project was last changed.</summary>
/// <param name="Screens">How many screens it has.</param>
/// <param name="Decided">Layers that need nobody any more.</param>
/// <param name="Layers">All layers on screens.</param>
/// <param name="Blockers">Findings that must be settled before it can be built.</param>
/// <param name="Files">Files to build.</param>
/// <param name="Faces">Its first screens, with what their picture is found by.</param>
/// <param name="Failure">Why it cannot be opened, or null.</param>
public sealed record ProjectCounts(int Screens, int Decided, int Layers, int Blockers, int Files, IReadOnlyList<ProjectCounts.Face> Faces, string? Failure = null)
{
    private const int MostFaces = 4;
    private static readonly ConditionalWeakTable<DesignState, StrongBox<(int Decided, int Layers)>> Known = [];

    /// <summary>How many of its designs cannot be read any more.</summary>
    public int Unreadable { get; init; }

    /// <summary>A screen to show for the whole project.</summary>
    /// <param name="Design">Its design.</param>
    /// <param name="Root">The layer that stands for it.</param>
    /// <param name="Key">Changes when its picture does.</param>
    public sealed record Face(int Design, int Root, string Key);

    /// <summary>Counts.</summary>
    public static ProjectCounts Of(Workspace workspace, PlannedPack plan)
    {
        var progress = workspace.States.Select(ProgressOf).ToList();
        return new(workspace.States.Sum(s => s.Measured.Drawing.Screens.Length), progress.Sum(p => p.Decided), progress.Sum(p => p.Layers), plan.Pack.Blockers.Count(), plan.Pack.Files.Length,
            [.. workspace.Designs.SelectMany(d => d.State.Measured.Drawing.Screens.Select(s => new Face(d.Row.Id, s.Root.Ordinal, ScreenKey.Of(d.Row, s)))).Take(MostFaces)])
        {
            Unreadable = workspace.Unreadable.Count,
        };
    }

    /// <summary>Of a project that cannot be opened.</summary>
    public static ProjectCounts Failed(string why) => new(0, 0, 0, 0, 0, [], why);

    /// <summary>Writes them.</summary>
    public string ToJson() => JsonSerializer.Serialize(this);

    /// <summary>Reads them back; null for none, and for those of another version.</summary>
    public static ProjectCounts? Read(string? json)
    {
        try
        {
            return json is null ? null : JsonSerializer.Deserialize<ProjectCounts>(json) is { Faces: not null } counts ? counts : null;
        }
        catch (JsonException)
        {
            return null;
        }
    }

    private static (int Decided, int Layers) ProgressOf(DesignState state) => Known.GetValue(state, s => new(s.Measured.Drawing.Screens
        .Select(screen => Progress.Of(s.Measured.LayersOf(screen), s.MarkOf)).Aggregate((0, 0), (sum, p) => (sum.Item1 + p.Decided, sum.Item2 + p.Total)))).Value;
}
