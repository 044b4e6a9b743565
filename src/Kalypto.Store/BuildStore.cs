namespace Kalypto.Store;

/// <summary>The builds of the projects.</summary>
public sealed class BuildStore(Database database)
{
    private const string Columns =
        "select id, project_id, state, total, done, drawn, message, coalesce(files, 0), coalesce(weight, 0), zip_sha256, started_at, part, asked::text from builds";

    /// <summary>The builds of a project, newest first.</summary>
    public Task<List<BuildRow>> ListAsync(int project, CancellationToken cancel) =>
        Rows(Columns + " where project_id = $1 order by id desc limit 50", project, cancel);

    /// <summary>One build, or null.</summary>
    public async Task<BuildRow?> FindAsync(int id, CancellationToken cancel) => (await Rows(Columns + " where id = $1", id, cancel)).FirstOrDefault();

    /// <summary>Begins a build.</summary>
    /// <param name="project">The project.</param>
    /// <param name="total">Picture files in it.</param>
    /// <param name="part">What of the pack it is of, in words; empty for all of it.</param>
    /// <param name="asked">What was asked, as JSON.</param>
    /// <param name="said">What is said in the project, so that a stop of the server changes nothing of what is built.</param>
    /// <param name="cancel">Ends the wait.</param>
    public Task<int> AddAsync(int project, int total, string part, string asked, ProjectState said, CancellationToken cancel) => database.Source
        .Command("insert into builds (project_id, state, total, part, asked, said) values ($1, 'running', $2, $3, $4::jsonb, $5) returning id", project, total, part, asked, said.ToJson())
        .ScalarAsync<int>(cancel);

    /// <summary>The files of a build, by path.</summary>
    public Task<List<BuildFile>> FilesAsync(int id, CancellationToken cancel) => database.Source
        .Command("select path, sha256, weight from build_files where build_id = $1 order by path collate \"C\"", id)
        .ListAsync(r => new BuildFile(r.GetString(0), r.GetString(1), r.GetInt64(2)), cancel);

    /// <summary>Says how far it is.</summary>
    public Task ProgressAsync(int id, int done, int drawn, CancellationToken cancel) => database.Source
        .Command("update builds set done = $2, drawn = $3 where id = $1", id, done, drawn).RunAsync(cancel);

    /// <summary>Ends a build.</summary>
    public async Task EndAsync(int id, string state, string? message, IReadOnlyList<BuildFile> files, CancellationToken cancel)
    {
        await using var connection = await database.Source.OpenConnectionAsync(cancel);
        await using var transaction = await connection.BeginTransactionAsync(cancel);
        await connection.Command("insert into build_files select $1, * from unnest($2, $3::char(64)[], $4) on conflict do nothing",
            id, files.Select(f => f.Path).ToArray(), files.Select(f => f.Sha256).ToArray(), files.Select(f => f.Weight).ToArray()).RunAsync(cancel);
        await connection.Command("update builds set state = $2, message = $3, files = $4, weight = $5, said = null, ended_at = now() where id = $1",
            id, state, message, files.Count, files.Sum(f => f.Weight)).RunAsync(cancel);
        await transaction.CommitAsync(cancel);
    }

    /// <summary>Builds that a stop or crash of the server left running, with what was said when they began.</summary>
    public async Task<List<(BuildRow Build, ProjectState Said)>> LeftOversAsync(CancellationToken cancel)
    {
        var said = (await database.Source.Command("select id, said from builds where state = 'running' and said is not null")
            .ListAsync(r => (Id: r.GetInt32(0), Said: r.GetString(1)), cancel)).ToDictionary(b => b.Id, b => b.Said);
        return [.. (await Rows(Columns + " where state = 'running' and $1 = 0 order by id", 0, cancel)).Where(b => said.ContainsKey(b.Id)).Select(b => (b, ProjectState.FromJson(said[b.Id])))];
    }

    private Task<List<BuildRow>> Rows(string sql, int value, CancellationToken cancel) => database.Source.Command(sql, value).ListAsync(
        r => new BuildRow(r.GetInt32(0), r.GetInt32(1), r.GetString(2), r.GetInt32(3), r.GetInt32(4), r.GetInt32(5), r.Nullable<string>(6),
            r.GetInt32(7), r.GetInt64(8), r.Nullable<string>(9), r.GetDateTime(10), r.GetString(11), r.GetString(12)), cancel);
}
