namespace Kalypto.Store;

/// <summary>Which project each folder of the inbox belongs to, and what came of files that were not brought in.</summary>
public sealed class InboxStore(Database database)
{
    private const int MostShown = 20;

    /// <summary>The project that a folder belongs to; null for none, or for one that was deleted or archived.</summary>
    public async Task<int?> ProjectOfAsync(string folder, CancellationToken cancel) => (await database.Source
        .Command("select f.project_id from inbox_folders f join projects p on p.id = f.project_id and p.deleted_at is null and p.archived_at is null where f.folder = $1", folder).ListAsync(r => (int?)r.GetInt32(0), cancel)).FirstOrDefault();

    /// <summary>All folders that belong to projects that are worked on.</summary>
    public async Task<IReadOnlySet<string>> WatchedAsync(CancellationToken cancel) => (await database.Source
        .Command("select f.folder from inbox_folders f join projects p on p.id = f.project_id and p.deleted_at is null and p.archived_at is null").ListAsync(r => r.GetString(0), cancel)).ToHashSet(StringComparer.Ordinal);

    /// <summary>True when a folder belongs to any project, also to one that was deleted.</summary>
    public Task<bool> IsBoundAsync(string folder, CancellationToken cancel) => database.Source.Command("select exists (select from inbox_folders where folder = $1)", folder).ScalarAsync<bool>(cancel);

    /// <summary>The folders of a project.</summary>
    public Task<List<string>> FoldersAsync(int project, CancellationToken cancel) => database.Source
        .Command("select folder from inbox_folders where project_id = $1 order by folder", project).ListAsync(r => r.GetString(0), cancel);

    /// <summary>Binds a folder to a project, as a step of the history; nothing when it belongs to one already.</summary>
    public Task<StepDone> WatchAsync(Author author, string folder, CancellationToken cancel) => EditStore.LastingAsync(database, author, Role.Designer, async connection => new(
        await connection.Command("insert into inbox_folders (folder, project_id) values ($1, $2) on conflict do nothing", folder, author.Project).RunAsync(cancel) == 0 ? StepState.Nothing : StepState.Done, $"Watch the inbox folder {folder}"), cancel);

    /// <summary>Watches a folder of a project no more, as a step of the history. What lies in it stays.</summary>
    public Task<StepDone> ReleaseAsync(Author author, string folder, CancellationToken cancel) => EditStore.LastingAsync(database, author, Role.Designer, async connection => new(
        await connection.Command("delete from inbox_folders where folder = $1 and project_id = $2", folder, author.Project).RunAsync(cancel) == 0 ? StepState.Nothing : StepState.Done, $"Stop watching the inbox folder {folder}"), cancel);

    /// <summary>Remembers why a file was refused.</summary>
    public Task RefusedAsync(int project, string file, string message, CancellationToken cancel) => database.Source.Command("""
        insert into inbox_refusals (project_id, file, message) values ($1, $2, $3) on conflict (project_id, file) do update set message = excluded.message, at = now()
        """, project, file, message).RunAsync(cancel);

    /// <summary>Forgets it: the file came in, or is gone.</summary>
    public Task SettledAsync(int project, string file, CancellationToken cancel) =>
        database.Source.Command("delete from inbox_refusals where project_id = $1 and file = $2", project, file).RunAsync(cancel);

    /// <summary>The refused files of a project, the newest first.</summary>
    public Task<List<(string File, string Message)>> RefusalsAsync(int project, CancellationToken cancel) => database.Source
        .Command("select file, message from inbox_refusals where project_id = $1 order by at desc limit $2", project, MostShown).ListAsync(r => (r.GetString(0), r.GetString(1)), cancel);
}
