using Kalypto.Application.Packs;
using Kalypto.Store;
using Kalypto.Web.Wording;

namespace Kalypto.Web.Models;

/// <summary>A project on the first page.</summary>
/// <param name="Id">Its number.</param>
/// <param name="Name">Its name.</param>
/// <param name="Description">What it is.</param>
/// <param name="Faces">Pictures of its first screens.</param>
/// <param name="Sum">How much it is and how far.</param>
/// <param name="Percent">Decided layers in percent.</param>
/// <param name="Waiting">What is waiting for somebody.</param>
/// <param name="Touched">When it was last changed, and by whom.</param>
/// <param name="IsFailed">True when it, or a part of it, cannot be opened.</param>
public sealed record ProjectCard(int Id, string Name, string Description, IReadOnlyList<string> Faces, string Sum, int Percent, string Waiting, string Touched, bool IsFailed)
{
    /// <summary>What whoever looks may do in it.</summary>
    public Role Role { get; init; }

    /// <summary>Where it is opened.</summary>
    public string Href => Role >= Role.Designer ? $"/projects/{Id}" : $"/projects/{Id}/handover";

    private static readonly TimeSpan Kept = new KeepingLimits().Deleted;

    /// <summary>Makes it out of what was counted.</summary>
    /// <param name="project">The project.</param>
    /// <param name="counts">What was counted in it; null when nothing was yet.</param>
    /// <param name="now">Now, in UTC.</param>
    public static ProjectCard Of(ListedProject project, ProjectCounts? counts, DateTime now) => new(
        project.Id, project.Name, project.Description,
        [.. ((project.Role >= Role.Designer ? counts?.Faces : null) ?? []).Select(f => Links.ScreenPicture(project.Id, f.Design, f.Root, f.Key))],
        project.Role < Role.Designer ? $"open to you as {project.Role.ToString().ToLowerInvariant()}" : counts is null ? "being counted" : counts.Screens == 0 ? "no drawing yet" : $"{Words.Count(counts.Screens, "screen")} · {counts.Decided} of {counts.Layers} layers decided",
        counts is null or { Layers: 0 } ? 0 : 100 * counts.Decided / counts.Layers,
        project.DeletedAt is { } deleted ? $"deleted; kept for {Words.Count(Math.Max(1, (int)Math.Ceiling((deleted + Kept - now).TotalDays)), "day")} more"
            : counts is null || project.Role < Role.Designer ? "" : counts.Failure is { } failure ? failure
            : counts.Unreadable > 0 ? $"{Words.Count(counts.Unreadable, "design")} cannot be read any more" : counts.Screens == 0 ? "waiting for a drawing"
            : counts.Blockers > 0 ? $"{Words.Count(counts.Blockers, "finding")} must be settled before it can be built"
            : counts.Decided < counts.Layers ? $"{Words.Count(counts.Layers - counts.Decided, "layer")} waiting for a decision"
            : $"all decided: {Words.Count(counts.Files, "file")} to build",
        $"{Ago(now - project.TouchedAt)}{(project.TouchedBy.Length > 0 ? $" by {project.TouchedBy}" : "")}", counts is { Failure: not null } or { Unreadable: > 0 })
    { Role = project.Role };

    private static string Ago(TimeSpan time) => time switch
    {
        { TotalMinutes: < 1.5 } => "just now",
        { TotalMinutes: < 60 } => $"{(int)time.TotalMinutes} minutes ago",
        { TotalHours: < 36 } => $"{Words.Count(Math.Max(1, (int)Math.Round(time.TotalHours)), "hour")} ago",
        _ => $"{Words.Count((int)Math.Round(time.TotalDays), "day")} ago",
    };
}
