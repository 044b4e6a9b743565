using Kalypto.Application.Places;
using Kalypto.Core.Naming;
using Kalypto.Store;

namespace Kalypto.Application.BringingIn;

/// <summary>Makes folders of the inbox for projects. A folder that is there already is never given to anybody: it may be somebody else's.</summary>
public sealed class InboxFolders(InboxOptions options, InboxStore inbox, ProjectStore projects)
{
    private const int LongestName = 60;
    private const int MostTries = 100;

    /// <summary>Makes a folder named after a project, and watches it.</summary>
    /// <param name="author">The project and who does it.</param>
    /// <param name="cancel">Ends the wait.</param>
    /// <returns>How it went, and the folder.</returns>
    /// <exception cref="PlaceRefusedException">The inbox cannot be written.</exception>
    public async Task<(StepDone Done, string? Folder)> CreateAsync(Author author, CancellationToken cancel)
    {
        if (options.Folders is not [var root, ..] || await projects.FindAsync(author.Project, cancel) is not { } row)
        {
            return (new(StepState.Gone), null);
        }
        var name = NameWords.Join(NameWords.Split(row.Name), "-", LongestName) is { Length: > 0 } words ? words : "project";
        using var inside = FolderHandle.Open(root);
        for (var number = 1; number <= MostTries; number++)
        {
            var folder = number == 1 ? name : $"{name}-{number}";
            if (!await inbox.IsBoundAsync(Path.Combine(root, folder), cancel) && inside.TryCreateFolder(folder))
            {
                return (await inbox.WatchAsync(author, Path.Combine(root, folder), cancel), Path.Combine(root, folder));
            }
        }
        throw new PlaceRefusedException($"{root} has too many folders of the name {name}. Rename the project, or remove folders that nobody uses.");
    }
}
