namespace Kalypto.Store;

/// <summary>What came of the files of the inbox that were not brought in.</summary>
public sealed class InboxStore(Database database)
{
    private const int MostShown = 20;

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
