using System.Text.Json;

namespace Kalypto.Store;

/// <summary>
/// The queue of what is to be drawn. Any number of processes may take from it, each what its engine is wanted for. A taker
/// says again and again that it is alive; the job of one that died comes back when its lease runs out, and one that killed
/// its taker several times is given up. Keeping its result takes a job off the queue.
/// </summary>
public sealed class DrawingQueue(Database database)
{
    /// <summary>Somebody waits for it.</summary>
    public const int Wanted = 0;

    /// <summary>A file that is looked at right now.</summary>
    public const int Looked = 5;

    /// <summary>A screen to be drawn by both engines; before what is drawn ahead, for it says by which.</summary>
    public const int Proving = 8;

    /// <summary>A file of the pack, drawn ahead.</summary>
    public const int Ahead = 10;

    /// <summary>Queues jobs; one that waits already only gets more urgent. What is drawn already is not queued.</summary>
    /// <param name="jobs">The jobs.</param>
    /// <param name="priority">How urgent they are, the smallest first.</param>
    /// <param name="engine">What is to draw them.</param>
    /// <param name="cancel">Ends the wait.</param>
    public async Task AddAsync(IReadOnlyCollection<DrawingJob> jobs, int priority, string engine, CancellationToken cancel)
    {
        if (jobs.Count > 0)
        {
            var some = jobs.DistinctBy(j => j.Key).ToList();
            await database.Redoable.RunAllAsync(cancel, ("""
                insert into drawing_jobs (key, priority, job, pixels, engine)
                select n.key, $4, n.job::jsonb, n.pixels, $5 from unnest($1::char(64)[], $2, $3) as n (key, job, pixels)
                where not exists (select from drawings where key = n.key and (passes_at is null or passes_at > now()))
                  and not exists (select from looks where key = n.key and (passes_at is null or passes_at > now()))
                  and not exists (select from proofs where key = n.key and (passes_at is null or passes_at > now()))
                order by n.key
                on conflict (key) do update set priority = least(drawing_jobs.priority, excluded.priority), engine = excluded.engine
                """, [some.Select(j => j.Key).ToArray(), some.Select(j => JsonSerializer.Serialize(j)).ToArray(), some.Select(j => j.Picture?.Pixels ?? 0).ToArray(), priority, engine]),
                ($"select {Signals.Notify}json_build_object('kind', '{Signals.Queued}', 'by', $1::text)::text)", [database.Process]));
        }
    }

    /// <summary>
    /// Takes the most urgent job for a while; of those one of a draft of which nothing is being drawn, so that nobody with
    /// thousands of files keeps others waiting; of those the largest. Null when there is none.
    /// </summary>
    /// <param name="engine">What the taker draws with.</param>
    /// <param name="lease">How long nobody else may take it.</param>
    /// <param name="cancel">Ends the asking.</param>
    /// <param name="mostPixels">Leaves jobs of more pixels where they are; null for none.</param>
    /// <param name="butDrafts">Leaves jobs of these drafts where they are.</param>
    public async Task<TakenJob?> TakeAsync(string engine, TimeSpan lease, CancellationToken cancel, long? mostPixels = null, int[]? butDrafts = null)
    {
        var taken = await database.Redoable.Command("""
            update drawing_jobs set leased_until = now() + $1, attempts = attempts + 1, taken_by = $4
            where key = (
              select key from drawing_jobs where (leased_until is null or leased_until < now()) and engine = $3 and ($2::bigint is null or pixels <= $2::bigint)
                and (cardinality($5::int[]) = 0 or draft <> all($5::int[]))
              order by priority, draft = any(array(select draft from drawing_jobs where leased_until > now())), pixels desc, queued_at limit 1 for update skip locked)
            returning job, attempts, priority, coalesce((select d.project_id from drafts f join designs d on d.id = f.design_id where f.id = drawing_jobs.draft), 0)
            """, lease, mostPixels, engine, database.Process, butDrafts ?? []).ListAsync(r => (r.GetString(0), r.GetInt32(1), r.GetInt32(2), r.GetInt32(3)), cancel);
        return taken is [var (job, attempts, priority, project)] ? new(JsonSerializer.Deserialize<DrawingJob>(job)!, attempts) { Priority = priority, Project = project } : null;
    }

    /// <summary>Holds on to jobs that this process is at right now, and to no others: what it took without knowing it, or could not put back, comes free by itself.</summary>
    public Task HoldAsync(IReadOnlyCollection<string> keys, TimeSpan lease, CancellationToken cancel) => keys.Count == 0 ? Task.CompletedTask : database.Redoable
        .Command("update drawing_jobs set leased_until = now() + $1 where taken_by = $2 and leased_until > now() and key = any($3::char(64)[])", lease, database.Process, keys.ToArray()).RunAsync(cancel);

    /// <summary>Gives back all that this process took; for its stop. It does not count as an attempt.</summary>
    public Task GiveBackAsync(CancellationToken cancel) => database.Redoable
        .Command("update drawing_jobs set leased_until = null, taken_by = '', attempts = attempts - 1 where taken_by = $1 and leased_until > now()", database.Process).RunAsync(cancel);

    /// <summary>Takes off what was to be drawn ahead of some drafts and is no longer asked for, unless somebody is at it.</summary>
    /// <returns>The keys of what was taken off.</returns>
    public Task<List<string>> KeepAheadAsync(IReadOnlyCollection<int> drafts, IReadOnlyCollection<string> keys, CancellationToken cancel) => database.Redoable.Command("""
        -- By place, not by key: a job that was done and queued anew meanwhile has the same key, and waiting for it may be in a circle.
        delete from drawing_jobs where ctid = any(array(
          select ctid from drawing_jobs where priority >= $1 and leased_until is null and draft = any($2)
            and not exists (select from unnest($3::char(64)[]) as k where k = drawing_jobs.key)
          for update skip locked))
        returning key
        """, Ahead, drafts.ToArray(), keys.ToArray()).ListAsync(r => r.GetString(0), cancel);

    /// <summary>Makes jobs less urgent than what is drawn ahead; whoever else wants one of them asks again and makes it urgent again.</summary>
    public Task LessUrgentAsync(IReadOnlyCollection<string> keys, CancellationToken cancel) => database.Redoable
        .Command("update drawing_jobs set priority = $2 where ctid = any(array(select ctid from drawing_jobs where key = any($1::char(64)[]) and leased_until is null for update skip locked))", keys.ToArray(), Ahead + 1).RunAsync(cancel);

    /// <summary>Gives back a job that could not be done now, to be tried again a little later.</summary>
    /// <param name="key">The job, which this process took.</param>
    /// <param name="counts">False when the attempt says nothing of the job.</param>
    /// <param name="cancel">Ends the wait.</param>
    public Task PutBackAsync(string key, bool counts, CancellationToken cancel) => database.Redoable
        .Command("update drawing_jobs set leased_until = now() + interval '1 second', taken_by = '', attempts = greatest(0, attempts - $3) where key = $1 and taken_by = $2", key, database.Process, counts ? 0 : 1).RunAsync(cancel);
}
