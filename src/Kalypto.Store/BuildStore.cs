using System.Text.Json;
using Kalypto.Core.Comparing;

namespace Kalypto.Store;

/// <summary>
/// The builds of the projects. A running one belongs to a process that says again and again that it is alive; when that died,
/// another takes it over.
/// </summary>
public sealed class BuildStore(Database database)
{
    private const string Columns =
        "select id, project_id, state, total, done, drawn, message, coalesce(files, 0), coalesce(weight, 0), zip_sha256, started_at, part, asked::text, number, line, made_by, proofs_left from builds";

    private const string Tell = $"{Signals.Notify}json_build_object('kind', '{Signals.Built}', 'build', id)::text)";

    /// <summary>The builds of a project, newest first.</summary>
    public Task<List<BuildRow>> ListAsync(int project, CancellationToken cancel) =>
        Rows(Columns + " where project_id = $1 order by id desc limit 50", cancel, project);

    /// <summary>One build; null when it is not there or its project was deleted.</summary>
    public async Task<BuildRow?> FindAsync(int id, CancellationToken cancel) =>
        (await Rows(Columns + " where id = $1 and exists (select from projects p where p.id = project_id and p.deleted_at is null)", cancel, id)).FirstOrDefault();

    /// <summary>Begins a build, which this process holds.</summary>
    /// <param name="project">The project.</param>
    /// <param name="total">Picture files in it.</param>
    /// <param name="part">What of the pack it is of, in words; empty for all of it.</param>
    /// <param name="asked">What was asked, as JSON.</param>
    /// <param name="said">What is said in the project, so that a stop of the server changes nothing of what is built.</param>
    /// <param name="lease">How long nobody else may take it.</param>
    /// <param name="cancel">Ends the wait.</param>
    /// <param name="line">What it is for.</param>
    /// <param name="madeBy">Who makes it, as they call themselves.</param>
    public Task<int> AddAsync(int project, int total, string part, string asked, ProjectState said, TimeSpan lease, CancellationToken cancel, string line = "", string madeBy = "") => database.Source
        .Command("insert into builds (project_id, state, total, part, asked, said, owner, leased_until, line, made_by) values ($1, 'running', $2, $3, $4::jsonb, $5, $6, now() + $7, $8, $9) returning id",
            project, total, part, asked, said.ToJson(), database.Process, lease, line, madeBy)
        .ScalarAsync<int>(cancel);

    /// <summary>The files of a build, by path.</summary>
    public Task<List<DeliveredFile>> FilesAsync(int id, CancellationToken cancel) => database.Source
        .Command("select path, sha256, weight, identity, platform, kind, layer, screen, width, height from build_files where build_id = $1 order by path collate \"C\"", id)
        .ListAsync(r => new DeliveredFile(r.GetString(3), r.GetString(0), r.GetString(1), r.GetInt64(2))
        {
            Platform = r.GetString(4),
            Kind = r.GetString(5),
            Layer = r.GetString(6),
            Screen = r.GetString(7),
            Width = r.GetInt32(8),
            Height = r.GetInt32(9),
        }, cancel);

    /// <summary>The delivery of a number in a project; null when there is none.</summary>
    public async Task<BuildRow?> DeliveryAsync(int project, int number, CancellationToken cancel) =>
        (await Rows(Columns + " where project_id = $1 and number = $2", cancel, project, number)).FirstOrDefault();

    /// <summary>All deliveries of a project, the newest first.</summary>
    public Task<List<BuildRow>> DeliveriesAsync(int project, CancellationToken cancel) => Rows(Columns + " where project_id = $1 and number is not null order by number desc", cancel, project);

    /// <summary>The weight and the number of files of each delivery of a project, by platform and kind.</summary>
    public Task<List<(int Number, string Platform, string Kind, int Files, long Bytes)>> SumsAsync(int project, CancellationToken cancel) => database.Source.Command("""
        select b.number, f.platform, f.kind, count(*)::int, sum(f.weight)::bigint from builds b join build_files f on f.build_id = b.id
        where b.project_id = $1 and b.number is not null group by 1, 2, 3 order by 1, 2, 3
        """, project).ListAsync(r => (r.GetInt32(0), r.GetString(1), r.GetString(2), r.GetInt32(3), r.GetInt64(4)), cancel);

    /// <summary>What was said in the project when a build began; null when it is not kept or cannot be read any more.</summary>
    public async Task<ProjectState?> SaidAsync(int id, CancellationToken cancel)
    {
        var said = (await database.Source.Command("select said from builds where id = $1 and said is not null", id).ListAsync(r => r.GetString(0), cancel)).FirstOrDefault();
        try
        {
            return said is null ? null : ProjectState.FromJson(said);
        }
        catch (Exception e) when (e is JsonException or FormatException)
        {
            return null;
        }
    }

    /// <summary>Says how far it is, and holds it for longer.</summary>
    /// <param name="id">The build.</param>
    /// <param name="done">Picture files that are there already.</param>
    /// <param name="drawn">Picture files that had to be drawn for it.</param>
    /// <param name="lease">How long nobody else may take it.</param>
    /// <param name="cancel">Ends the wait.</param>
    /// <param name="proofsLeft">Screens that are still to be compared with the browser.</param>
    /// <returns>How it stands with this process: whether it still holds it, and whether somebody asked to end it.</returns>
    public async Task<(bool IsHeld, bool IsCancelled)> ProgressAsync(int id, int done, int drawn, TimeSpan lease, CancellationToken cancel, int proofsLeft = 0)
    {
        var rows = await database.Redoable.Command(
            "update builds set done = $2, drawn = $3, leased_until = now() + $4, proofs_left = $6 where id = $1 and owner = $5 and state = 'running' returning cancel_asked",
            id, done, drawn, lease, database.Process, proofsLeft).ListAsync(r => r.GetBoolean(0), cancel);
        return (rows.Count > 0, rows is [true]);
    }

    /// <summary>Holds builds of this process for longer, however long it takes until there is progress to tell.</summary>
    public Task HoldAsync(IReadOnlyCollection<int> ids, TimeSpan lease, CancellationToken cancel) => ids.Count == 0 ? Task.CompletedTask : database.Redoable
        .Command("update builds set leased_until = now() + $2 where id = any($1) and owner = $3 and state = 'running'", ids.ToArray(), lease, database.Process).RunAsync(cancel);

    /// <summary>Asks whoever holds a build of a project to end it.</summary>
    /// <param name="project">The project.</param>
    /// <param name="id">The build.</param>
    /// <param name="cancel">Ends the wait.</param>
    /// <param name="why">Why it ends; null for no reason but that somebody wants it.</param>
    public async Task AskToCancelAsync(int project, int id, CancellationToken cancel, string? why = null) => await database.Source
        .Command($"with asked as (update builds set cancel_asked = true, message = $3 where id = $1 and project_id = $2 and state = 'running' returning id) select {Tell} from asked", id, project, why).RunAsync(cancel);

    /// <summary>Ends a build that this process holds.</summary>
    /// <returns>False when it does not hold it any more.</returns>
    public async Task<bool> EndAsync(int id, string state, string? message, IReadOnlyList<DeliveredFile> files, CancellationToken cancel)
    {
        await using var connection = await database.Source.OpenConnectionAsync(cancel);
        await using var transaction = await connection.BeginTransactionAsync(cancel);
        // Numbers of one project are given one after the other.
        await connection.Command("select id from projects where id = (select project_id from builds where id = $1) for update", id).RunAsync(cancel);
        var ended = await connection.Command($"""
            with ended as (update builds b set state = $2, message = case when $2 = 'cancelled' then coalesce(message, $3) else $3 end, files = $4, weight = $5, ended_at = now(),
                said = case when $2 = 'done' then said end,
                number = case when $2 = 'done' then (select coalesce(max(number), 0) + 1 from builds o where o.project_id = b.project_id) end
              where id = $1 and owner = $6 and state = 'running' returning id)
            select {Tell} from ended
            """, id, state, message, files.Count, files.Sum(f => f.Bytes), database.Process).ListAsync(_ => true, cancel);
        if (ended.Count == 0)
        {
            return false;
        }
        await connection.Command("""
            insert into build_files (build_id, path, sha256, weight, identity, platform, kind, layer, screen, width, height)
            select $1, * from unnest($2, $3::char(64)[], $4, $5, $6, $7, $8, $9, $10, $11) on conflict do nothing
            """, id, files.Select(f => f.Path).ToArray(), files.Select(f => f.Sha256).ToArray(), files.Select(f => f.Bytes).ToArray(), files.Select(f => f.Identity).ToArray(),
            files.Select(f => f.Platform).ToArray(), files.Select(f => f.Kind).ToArray(), files.Select(f => f.Layer).ToArray(), files.Select(f => f.Screen).ToArray(),
            files.Select(f => f.Width).ToArray(), files.Select(f => f.Height).ToArray()).Patiently().RunAsync(cancel);
        await transaction.CommitAsync(cancel);
        return true;
    }

    /// <summary>Takes over builds whose process died or stopped, with what was said when they began. One whose words cannot be read fails alone.</summary>
    public async Task<List<(BuildRow Build, ProjectState Said)>> TakeOverAsync(TimeSpan lease, CancellationToken cancel)
    {
        var taken = await database.Source.Command("""
            update builds set owner = $1, leased_until = now() + $2
            where id in (select id from builds where state = 'running' and leased_until < now() order by id for update skip locked)
            returning id, said
            """, database.Process, lease).ListAsync(r => (Id: r.GetInt32(0), Said: r.Nullable<string>(1)), cancel);
        var builds = new List<(BuildRow, ProjectState)>();
        foreach (var (id, said) in taken)
        {
            try
            {
                if (said is not null && await FindAsync(id, cancel) is { } row)
                {
                    builds.Add((row, ProjectState.FromJson(said)));
                    continue;
                }
            }
            catch (Exception e) when (e is JsonException or FormatException)
            {
                // Told below, as for one of which nothing is kept.
            }
            await EndAsync(id, "failed", "It was interrupted, and what was said when it began cannot be read any more. Build again.", [], cancel);
        }
        return builds;
    }

    /// <summary>Lets go of all that this process builds, so that another, or its next start, goes on at once.</summary>
    public Task LetGoAsync(CancellationToken cancel) => database.Source
        .Command("update builds set leased_until = '-infinity' where owner = $1 and state = 'running'", database.Process).RunAsync(cancel);

    private Task<List<BuildRow>> Rows(string sql, CancellationToken cancel, params object[] values) => database.Source.Command(sql, values).ListAsync(
        r => new BuildRow(r.GetInt32(0), r.GetInt32(1), r.GetString(2), r.GetInt32(3), r.GetInt32(4), r.GetInt32(5), r.Nullable<string>(6),
            r.GetInt32(7), r.GetInt64(8), r.Nullable<string>(9), r.GetDateTime(10), r.GetString(11), r.GetString(12))
        {
            Number = r.Nullable<int?>(13),
            Line = r.GetString(14),
            MadeBy = r.GetString(15),
            ProofsLeft = r.GetInt32(16),
        }, cancel);
}
