using System.Text.Json;

namespace Kalypto.Store;

/// <summary>
/// The queue of what is to be drawn. Any number of processes may take from it; a job whose taker died comes back when its
/// lease runs out, and one that killed its taker several times is given up. Keeping its result takes a job off the queue.
/// </summary>
public sealed class DrawingQueue(Database database)
{
    /// <summary>Somebody waits for it.</summary>
    public const int Wanted = 0;

    /// <summary>A file that is looked at right now.</summary>
    public const int Looked = 5;

    /// <summary>A file of the pack, drawn ahead.</summary>
    public const int Ahead = 10;

    private const int MostAttempts = 3;

    /// <summary>Queues jobs; one that waits already only gets more urgent. What is drawn already is not queued.</summary>
    public async Task AddAsync(IReadOnlyCollection<DrawingJob> jobs, int priority, CancellationToken cancel)
    {
        if (jobs.Count > 0)
        {
            var some = jobs.DistinctBy(j => j.Key).ToList();
            await database.Redoable.Command("""
                insert into drawing_jobs (key, priority, job, pixels)
                select n.key, $4, n.job::jsonb, n.pixels from unnest($1::char(64)[], $2, $3) as n (key, job, pixels)
                where not exists (select from drawings where key = n.key) and not exists (select from looks where key = n.key)
                order by n.key
                on conflict (key) do update set priority = least(drawing_jobs.priority, excluded.priority)
                """, some.Select(j => j.Key).ToArray(), some.Select(j => JsonSerializer.Serialize(j)).ToArray(), some.Select(j => j.Picture?.Pixels ?? 0).ToArray(), priority).RunAsync(cancel);
        }
    }

    /// <summary>Takes the most urgent job for a while, of those the largest; null when there is none.</summary>
    /// <param name="lease">How long nobody else may take it.</param>
    /// <param name="cancel">Ends the asking.</param>
    /// <param name="mostPixels">Leaves jobs of more pixels where they are; null for none.</param>
    public async Task<(DrawingJob Job, bool GivenUp)?> TakeAsync(TimeSpan lease, CancellationToken cancel, long? mostPixels = null)
    {
        var taken = await database.Redoable.Command("""
            update drawing_jobs set leased_until = now() + $1, attempts = attempts + 1
            where key = (
              select key from drawing_jobs where (leased_until is null or leased_until < now()) and ($2::bigint is null or pixels <= $2::bigint)
              order by priority, pixels desc, queued_at limit 1 for update skip locked)
            returning job, attempts
            """, lease, mostPixels).ListAsync(r => (r.GetString(0), r.GetInt32(1)), cancel);
        return taken is [var (job, attempts)] ? (JsonSerializer.Deserialize<DrawingJob>(job)!, attempts > MostAttempts) : null;
    }

    /// <summary>Takes off what was to be drawn ahead of some drafts and is no longer asked for, unless somebody is at it.</summary>
    /// <returns>The keys of what was taken off.</returns>
    public Task<List<string>> KeepAheadAsync(IReadOnlyCollection<int> drafts, IReadOnlyCollection<string> keys, CancellationToken cancel) => database.Redoable.Command("""
        delete from drawing_jobs where key in (
          select key from drawing_jobs where priority >= $1 and leased_until is null and (job->>'Draft')::int = any($2)
            and not exists (select from unnest($3::char(64)[]) as k where k = drawing_jobs.key)
          for update skip locked)
        returning key
        """, Ahead, drafts.ToArray(), keys.ToArray()).ListAsync(r => r.GetString(0), cancel);

    /// <summary>Gives back a job that could not be done now, to be tried again a little later.</summary>
    public Task PutBackAsync(string key, CancellationToken cancel) => database.Redoable
        .Command("update drawing_jobs set leased_until = now() + interval '1 second' where key = $1", key).RunAsync(cancel);

    /// <summary>Gives back every taken job; for the start, when no taker can be alive.</summary>
    public Task ReleaseAllAsync(CancellationToken cancel) =>
        database.Redoable.Command("update drawing_jobs set leased_until = null").RunAsync(cancel);
}
