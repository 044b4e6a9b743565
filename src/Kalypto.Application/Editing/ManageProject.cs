using Kalypto.Application.Opening;
using Kalypto.Core.Naming;
using Kalypto.Core.Platforms;
using Kalypto.Store;

namespace Kalypto.Application.Editing;

/// <summary>Makes projects, and changes what holds for one as a whole: its name, what it is, its platforms, and whether it is there.</summary>
public sealed class ManageProject(ProjectStore projects, EditStore edits)
{
    /// <summary>The longest name.</summary>
    public const int LongestName = 80;

    /// <summary>The longest description.</summary>
    public const int LongestDescription = 400;

    /// <summary>Makes an empty project.</summary>
    /// <returns>Its number; null for a name of which nothing is left.</returns>
    public async Task<int?> AddAsync(string name, Actor actor, CancellationToken cancel) =>
        Clean(name, LongestName) is { Length: > 0 } clean ? await projects.AddAsync(clean, AllPlatforms.Usual, actor, cancel) : null;

    /// <summary>Names a project; an empty name changes nothing.</summary>
    public Task<StepDone> NameAsync(Author author, string name, CancellationToken cancel) => Clean(name, LongestName) is not { Length: > 0 } clean
        ? Task.FromResult(new StepDone(StepState.Nothing))
        : edits.MakeAsync(author, new($"Name the project {clean}") { Fields = [FieldChange.ProjectName(author.Project, clean)] }, cancel);

    /// <summary>Says what a project is.</summary>
    public Task<StepDone> DescribeAsync(Author author, string text, CancellationToken cancel) =>
        edits.MakeAsync(author, new("Describe the project") { Fields = [FieldChange.Description(author.Project, Clean(text, LongestDescription))] }, cancel);

    /// <summary>Packs for a platform, or no longer.</summary>
    public Task<StepDone> PlatformAsync(Visit visit, string platform, bool isOn, CancellationToken cancel) => AllPlatforms.List.FirstOrDefault(p => p.Id == platform) is not { } found
        ? Task.FromResult(new StepDone(StepState.Gone))
        : edits.MakeAsync(visit.Author, new($"{(isOn ? "Pack" : "Do not pack")} for {found.Name}")
        {
            Fields = [FieldChange.Platforms(visit.Workspace.Row.Id, present => AllPlatforms.List.Select(p => p.Id).Where(id => id == platform ? isOn : present.Contains(id)))],
        }, cancel);

    /// <summary>Puts a project away, or takes it out again: while it is away nothing in it changes.</summary>
    public Task<StepDone> ArchiveAsync(Author author, bool isAway, DateTime now, CancellationToken cancel) =>
        edits.MakeAsync(author, new(isAway ? "Archive the project" : "Bring the project back") { Fields = [FieldChange.Archived(author.Project, isAway ? now : null)] }, cancel);

    /// <summary>Deletes a project, or brings it back: it is gone from sight at once and kept for a while.</summary>
    public Task<StepDone> DeleteAsync(Author author, bool isGone, DateTime now, CancellationToken cancel) =>
        edits.MakeAsync(author, new(isGone ? "Delete the project" : "Bring the project back") { Fields = [FieldChange.Deleted(author.Project, isGone ? now : null)] }, cancel);

    internal static string Clean(string text, int longest) => PlainText.Clean(string.Join(' ', PlainText.Clean(text, int.MaxValue).Split(' ', StringSplitOptions.RemoveEmptyEntries)), longest);
}
