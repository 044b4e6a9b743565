using System.Collections.Concurrent;
using Kalypto.Core.Designs;
using Kalypto.Core.Packing;
using Kalypto.Core.Planning;
using Kalypto.Core.Rendering;
using Kalypto.Store;

namespace Kalypto.Application.Desk;

/// <summary>Where pictures are asked for: knows what is drawn, queues what is not, and tells when something gets ready.</summary>
public sealed class DrawingDesk(DrawingQueue queue, DrawingStore store, IRenderer renderer, ProvenLayers proven)
{
    // What other processes draw is told; should that be missed, it is looked for after a while.
    private const int OthersAfter = 5000;
    private static readonly TimeSpan Poll = TimeSpan.FromMilliseconds(500);

    // What is drawn stays drawn, so what was once seen in the store holds for ever.
    private readonly ConcurrentDictionary<string, Look> looks = new();
    private readonly ConcurrentDictionary<string, DrawingRow> drawn = new();
    private readonly ConcurrentDictionary<string, bool> awaited = new();

    // What waits in the queue, and how urgent; asking again for the same changes nothing.
    private readonly ConcurrentDictionary<string, int> waiting = new();
    private volatile KnownKeys keys = new(proven.Now, new(renderer.FontsOf, renderer.Exact, proven.Now));
    private long askedAt;
    private long version;
    private TaskCompletionSource changed = New();
    private TaskCompletionSource queued = New();

    /// <summary>Another number whenever more or less is known here of what is drawn: what was planned by the same number still holds.</summary>
    public long Version => Interlocked.Read(ref version);

    /// <summary>Ends when the next picture gets ready here.</summary>
    public Task Changed => Volatile.Read(ref changed).Task;

    /// <summary>Ends when the next job is queued here.</summary>
    public Task Queued => Volatile.Read(ref queued).Task;

    /// <summary>Name and version of the engines.</summary>
    public string Engine => renderer.Version;

    /// <summary>The files of pictures, as far as they were worked out before.</summary>
    public PlannedPaths Paths { get; } = new(renderer.Version);

    /// <summary>The family drawn instead of the first of a list, where that does not come with Kalypto; null for one that does.</summary>
    public string? StandInFor(string families) => renderer.StandInFor(families);

    /// <summary>The weight of a file, or an estimate until it is known here to be drawn.</summary>
    public long WeightOf(PlannedFile file) => drawn.TryGetValue(file.Key.Hex, out var row) && row.Sha256 is not null ? row.Weight : WeightEstimate.Of(file);

    /// <summary>Tells the pictures of isolated layers apart, by their content and the fonts of their texts.</summary>
    public DrawingKeys Keys
    {
        get
        {
            // Whoever works something out holds on to one of them, so that what it finds fits together.
            var now = proven.Now;
            return ReferenceEquals(keys.Of, now) ? keys.Keys : (keys = new(now, new(renderer.FontsOf, renderer.Exact, now))).Keys;
        }
    }

    /// <summary>The key of a look at an isolated layer, out of the key of its picture.</summary>
    public string LookKey(Fingerprint isolation) => Fingerprint.Of("look", Engine, isolation.Hex).Hex;

    /// <summary>What was seen of isolated layers, by the key of the isolation.</summary>
    public async Task<Func<Fingerprint, Look?>> LooksAsync(IEnumerable<Fingerprint> isolations, CancellationToken cancel)
    {
        var missing = isolations.Select(LookKey).Where(k => !looks.ContainsKey(k)).Distinct().ToList();
        var passing = new Dictionary<string, Look>(StringComparer.Ordinal);
        if (missing.Count > 0)
        {
            foreach (var (key, look) in await store.LooksAsync(missing, cancel))
            {
                if (look.IsPassing)
                {
                    passing[key] = look;
                    continue;
                }
                looks[key] = look;
                Interlocked.Increment(ref version);
            }
        }
        return isolation => LookKey(isolation) is var key && looks.TryGetValue(key, out var look) ? look : passing.GetValueOrDefault(key);
    }

    /// <summary>Those of the pictures that are drawn.</summary>
    public async Task<IReadOnlyDictionary<string, DrawingRow>> DrawnAsync(IEnumerable<string> keys, CancellationToken cancel)
    {
        // What is queued here is told here, whoever draws it.
        var now = Environment.TickCount64;
        var asksAll = now - Volatile.Read(ref askedAt) > OthersAfter;
        if (asksAll)
        {
            Volatile.Write(ref askedAt, now);
        }
        var found = new Dictionary<string, DrawingRow>(StringComparer.Ordinal);
        var missing = new HashSet<string>(StringComparer.Ordinal);
        foreach (var key in keys)
        {
            if (drawn.TryGetValue(key, out var known))
            {
                found[key] = known;
            }
            else if (asksAll || !waiting.ContainsKey(key))
            {
                missing.Add(key);
            }
        }
        if (missing.Count > 0)
        {
            foreach (var (key, row) in await store.FindAsync([.. missing], cancel))
            {
                found[key] = row;
                if (!row.IsPassing)
                {
                    drawn[key] = row;
                }
                Interlocked.Increment(ref version);
            }
        }
        return found;
    }

    /// <summary>True once for a look that a plan waits for; looks for thumbnails change nothing that pages show.</summary>
    internal bool WasAwaited(string key) => awaited.TryRemove(key, out _);

    /// <summary>Queues looks that a plan waits for.</summary>
    public Task QueueLooksAsync(IReadOnlyCollection<DrawingJob> jobs, int priority, CancellationToken cancel)
    {
        foreach (var job in jobs)
        {
            awaited[job.Key] = true;
        }
        return QueueAsync(jobs, priority, cancel);
    }

    /// <summary>Queues jobs.</summary>
    public async Task QueueAsync(IReadOnlyCollection<DrawingJob> jobs, int priority, CancellationToken cancel)
    {
        var open = jobs.Where(j => !looks.ContainsKey(j.Key) && !drawn.ContainsKey(j.Key) && !(waiting.TryGetValue(j.Key, out var known) && known <= priority)).ToList();
        if (open.Count > 0)
        {
            await queue.AddAsync(open, priority, renderer.Identity, cancel);
            foreach (var job in open)
            {
                waiting.AddOrUpdate(job.Key, priority, (_, known) => Math.Min(known, priority));
            }
            Interlocked.Exchange(ref queued, New()).TrySetResult();
        }
    }

    /// <summary>Forgets what was to be drawn ahead of some drafts and is no longer asked for.</summary>
    public async Task KeepAheadAsync(IReadOnlyCollection<int> drafts, IReadOnlyCollection<string> keys, CancellationToken cancel)
    {
        foreach (var key in await queue.KeepAheadAsync(drafts, keys, cancel))
        {
            waiting.TryRemove(key, out _);
            awaited.TryRemove(key, out _);
        }
    }

    /// <summary>Lets everything else go before some pictures that nobody waits for any more.</summary>
    public async Task LessUrgentAsync(IReadOnlyCollection<string> keys, CancellationToken cancel)
    {
        await queue.LessUrgentAsync(keys, cancel);
        foreach (var key in keys)
        {
            waiting.TryRemove(key, out _);
        }
    }

    /// <summary>Waits until a look is there, asking for it first.</summary>
    public async Task<Look> LookAsync(DrawingJob job, CancellationToken cancel)
    {
        for (var asked = false; ; asked = true)
        {
            var change = Changed;
            if (looks.TryGetValue(job.Key, out var look) || (await store.LooksAsync([job.Key], cancel)).TryGetValue(job.Key, out look))
            {
                return look;
            }
            if (!asked)
            {
                await QueueAsync([job], DrawingQueue.Wanted, cancel);
            }
            await Task.WhenAny(change, Task.Delay(Poll, cancel));
            cancel.ThrowIfCancellationRequested();
        }
    }

    /// <summary>Waits until a picture is drawn, asking for it first.</summary>
    public async Task<DrawingRow> DrawAsync(DrawingJob job, CancellationToken cancel)
    {
        for (var asked = false; ; asked = true)
        {
            var change = Changed;
            if ((await DrawnAsync([job.Key], cancel)).TryGetValue(job.Key, out var row))
            {
                return row;
            }
            if (!asked)
            {
                await QueueAsync([job], DrawingQueue.Wanted, cancel);
            }
            await Task.WhenAny(change, Task.Delay(Poll, cancel));
            cancel.ThrowIfCancellationRequested();
        }
    }

    /// <summary>Forgets failures, so that they are tried again at once.</summary>
    /// <param name="keys">The keys of pictures and looks.</param>
    /// <param name="onlyPassing">True to keep those that are a property of the drawing.</param>
    /// <param name="cancel">Ends the wait.</param>
    public async Task ForgetFailuresAsync(IReadOnlyCollection<string> keys, bool onlyPassing, CancellationToken cancel)
    {
        await store.ForgetFailuresAsync(keys, onlyPassing, cancel);
        foreach (var key in onlyPassing ? [] : keys)
        {
            looks.TryRemove(key, out _);
            drawn.TryRemove(key, out _);
        }
        Interlocked.Increment(ref version);
    }

    /// <summary>Forgets what is known to be drawn, so that it is asked for again: the store learns by it what is in use.</summary>
    public void Forget()
    {
        looks.Clear();
        drawn.Clear();
        Interlocked.Increment(ref version);
    }

    /// <summary>Another process drew something.</summary>
    internal void HearDrawn(string key)
    {
        awaited.TryRemove(key, out _);
        Tell(key);
    }

    /// <summary>Another process queued something.</summary>
    internal void HearQueued() => Interlocked.Exchange(ref queued, New()).TrySetResult();

    /// <summary>Something went on elsewhere: whoever waits looks again.</summary>
    internal void HearChanged() => Interlocked.Exchange(ref changed, New()).TrySetResult();

    /// <summary>What others did was not heard for a while: nothing is known of what waits.</summary>
    internal void HearMissed()
    {
        waiting.Clear();
        Interlocked.Increment(ref version);
        HearQueued();
        HearChanged();
    }

    /// <summary>Tells everybody who waits that a picture got ready.</summary>
    internal void Tell(DrawingRow row)
    {
        if (!row.IsPassing)
        {
            drawn[row.Key] = row;
        }
        Tell(row.Key);
    }

    /// <summary>Tells everybody who waits that a layer was looked at.</summary>
    internal void Tell(string key, Look look)
    {
        if (!look.IsPassing)
        {
            looks[key] = look;
        }
        Tell(key);
    }

    private void Tell(string key)
    {
        Interlocked.Increment(ref version);
        waiting.TryRemove(key, out _);
        HearChanged();
    }

    private sealed record KnownKeys(IReadOnlyDictionary<Fingerprint, double> Of, DrawingKeys Keys);

    private static TaskCompletionSource New() => new(TaskCreationOptions.RunContinuationsAsynchronously);
}
