namespace Kalypto.Store;

/// <summary>The builds of the projects.</summary>
public sealed class BuildStore(Database database)
{
    private const string Columns =
        "select id, project_id, state, total, done, drawn, message, coalesce(files, 0), coalesce(weight, 0), zip_sha256, started_at from builds";

    /// <summary>The builds of a project, newest first.</summary>
    public Task<List<BuildRow>> ListAsync(int project, CancellationToken cancel) =>
        Rows(Columns + " where project_id = $1 order by id desc limit 50", project, cancel);

    /// <summary>One build, or null.</summary>
    public async Task<BuildRow?> FindAsync(int id, CancellationToken cancel) => (await Rows(Columns + " where id = $1", id, cancel)).FirstOrDefault();

    /// <summary>Begins a build.</summary>
    public Task<int> AddAsync(int project, int total, CancellationToken cancel) => database.Source
        .Command("insert into builds (project_id, state, total) values ($1, 'running', $2) returning id", project, total).ScalarAsync<int>(cancel);

    /// <summary>Says how far it is.</summary>
    public Task ProgressAsync(int id, int done, int drawn, CancellationToken cancel) => database.Source
        .Command("update builds set done = $2, drawn = $3 where id = $1", id, done, drawn).RunAsync(cancel);

    /// <summary>Ends a build.</summary>
    public Task EndAsync(int id, string state, string? message, int files, long weight, string? zip, CancellationToken cancel) => database.Source
        .Command("update builds set state = $2, message = $3, files = $4, weight = $5, zip_sha256 = $6, ended_at = now() where id = $1",
            id, state, message, files, weight, zip).RunAsync(cancel);

    /// <summary>Ends builds that a stop or crash of the server left running.</summary>
    public Task EndLeftOversAsync(CancellationToken cancel) => database.Source
        .Command("update builds set state = 'failed', message = 'Kalypto was stopped meanwhile. Build again: what is drawn already is kept.', ended_at = now() where state = 'running'")
        .RunAsync(cancel);

    private Task<List<BuildRow>> Rows(string sql, int value, CancellationToken cancel) => database.Source.Command(sql, value).ListAsync(
        r => new BuildRow(r.GetInt32(0), r.GetInt32(1), r.GetString(2), r.GetInt32(3), r.GetInt32(4), r.GetInt32(5), r.Nullable<string>(6),
            r.GetInt32(7), r.GetInt64(8), r.Nullable<string>(9), r.GetDateTime(10)), cancel);
}
