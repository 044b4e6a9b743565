using Kalypto.Core.Designs;
using Kalypto.Core.Rendering;

namespace Kalypto.Store.Tests;

/// <summary>What is drawn, what could not be, and the queue of what is to be.</summary>
[Collection(DatabaseFixture.OneAfterTheOther)]
public class DrawingStoreTests(DatabaseFixture fixture)
{
    private const string Engine = "engine 1";

    private readonly Database database = fixture.Database;
    private readonly CancellationToken cancel = TestContext.Current.CancellationToken;

    private static string Key(string text) => Fingerprint.Of("store test", text).Hex;

    private Task RunAsync(string sql) => fixture.RunAsync(sql);

    private async Task<long> CountAsync(string sql)
    {
        await using var command = database.Source.CreateCommand(sql);
        return (long)(await command.ExecuteScalarAsync(cancel))!;
    }

    [Fact]
    public async Task Equal_bytes_are_kept_once_and_drawings_are_found_by_key()
    {
        var drawings = new DrawingStore(database);
        var (one, two, bad) = (Key("one"), Key("two"), Key("bad"));
        await drawings.PutAsync(one, new Drawn([1, 2, 3], null), cancel);
        var put = await drawings.PutAsync(two, new Drawn([1, 2, 3], null), cancel);
        await drawings.PutAsync(bad, new Drawn(null, "It hangs."), cancel);
        await drawings.PutLookAsync(one, new Look(new Box(1, 2, 3, 4), null), cancel);
        var found = await drawings.FindAsync([one, two, bad, Key("none")], cancel);
        Assert.Equal(3, found.Count);
        Assert.Equal(put, found[two]);
        Assert.Equal(found[one].Sha256, found[two].Sha256);
        Assert.Equal((null, "It hangs."), (found[bad].Sha256, found[bad].Failure));
        Assert.Equal([1, 2, 3], await drawings.BytesAsync(two, cancel));
        Assert.Equal(new Box(1, 2, 3, 4), (await drawings.LooksAsync([one], cancel))[one].Ink);
    }

    [Fact]
    public async Task A_failure_that_may_pass_is_believed_for_a_while_only()
    {
        var (drawings, queue) = (new DrawingStore(database), new DrawingQueue(database));
        var (crashed, refused) = (Key("crashed"), Key("refused"));
        var job = new DrawingJob(crashed, 9, 1, [], "", new(0, 0, 1, 1, 10, 10, false));
        async Task<bool> IsQueuedAsync()
        {
            await queue.AddAsync([job], DrawingQueue.Wanted, "passing", cancel);
            return await queue.TakeAsync("passing", TimeSpan.FromMinutes(1), cancel) is not null;
        }
        await drawings.PutAsync(crashed, new Drawn(null, "It crashed.") { IsPassing = true }, cancel);
        await drawings.PutAsync(refused, new Drawn(null, "It is too large."), cancel);
        await drawings.PutLookAsync(crashed, new Look(null, "It crashed.") { IsPassing = true }, cancel);
        Assert.True((await drawings.FindAsync([crashed], cancel))[crashed].IsPassing);
        Assert.True((await drawings.LooksAsync([crashed], cancel))[crashed].IsPassing);
        Assert.False(await IsQueuedAsync());

        // Once its time is over it is as if nothing had been tried.
        await RunAsync("update drawings set passes_at = now() where passes_at is not null; update looks set passes_at = now() where passes_at is not null");
        Assert.Equal([refused], (await drawings.FindAsync([crashed, refused], cancel)).Keys);
        Assert.Empty(await drawings.LooksAsync([crashed], cancel));
        Assert.True(await IsQueuedAsync());
        // What comes of the next attempt takes its place; a picture never gives way again.
        await drawings.PutAsync(crashed, new Drawn(null, "It crashed again.") { IsPassing = true }, cancel);
        await drawings.PutAsync(crashed, new Drawn([1], null), cancel);
        await drawings.PutAsync(crashed, new Drawn(null, "It crashed late.") { IsPassing = true }, cancel);
        await drawings.ForgetFailuresAsync([crashed, refused], onlyPassing: true, cancel);
        var kept = await drawings.FindAsync([crashed, refused], cancel);
        Assert.Equal((1, null, "It is too large."), (kept[crashed].Weight, kept[crashed].Failure, kept[refused].Failure));
    }

    [Fact]
    public async Task Nobody_with_thousands_of_files_keeps_others_waiting()
    {
        var (queue, lease) = (new DrawingQueue(database), TimeSpan.FromMinutes(5));
        DrawingJob Of(int draft, int number) => new(Key($"fair {draft} {number}"), draft, number, [], "", new(0, 0, 1, 1, 900 - draft * 100, 10, false));
        await queue.AddAsync([.. Enumerable.Range(0, 50).Select(n => Of(1, n)), Of(2, 0), Of(2, 1)], DrawingQueue.Wanted, "fair", cancel);
        var taken = new List<TakenJob>();
        for (var i = 0; i < 5; i++)
        {
            taken.Add((await queue.TakeAsync("fair", lease, cancel))!);
        }
        Assert.Equal([1, 2, 1, 1, 1], taken.Select(t => t.Job.Draft));
        // Cancelled, what is left of the large one goes behind everything else.
        await new DrawingStore(database).PutAsync(taken[1].Job.Key, new Drawn([1], null), cancel);
        await queue.LessUrgentAsync([.. Enumerable.Range(0, 50).Select(n => Of(1, n).Key)], cancel);
        await queue.AddAsync([Of(2, 2)], DrawingQueue.Ahead, "fair", cancel);
        foreach (var draft in new[] { 2, 2, 1 })
        {
            Assert.Equal(draft, (await queue.TakeAsync("fair", lease, cancel))!.Job.Draft);
        }
        // What ran out of time is left alone by whoever asks for anything else.
        Assert.Null(await queue.TakeAsync("fair", lease, cancel, butDrafts: [1]));
    }

    [Fact]
    public async Task The_queue_hands_each_job_to_one_taker_most_urgent_first()
    {
        var queue = new DrawingQueue(database);
        var jobs = Enumerable.Range(0, 40).Select(i => new DrawingJob(Key($"job {i}"), 1, i, [7], "", new(0, 0, 1, 1, 10, 10, false))).ToList();
        await queue.AddAsync(jobs, DrawingQueue.Ahead, Engine, cancel);
        await queue.AddAsync([jobs[33]], DrawingQueue.Wanted, Engine, cancel);
        var lease = TimeSpan.FromMinutes(5);
        Assert.Equal(33, (await queue.TakeAsync(Engine, lease, cancel))!.Job.Ordinal);

        // Of what is equally urgent the largest goes first, unless it is too large for whoever asks.
        DrawingJob Sized(string key, int side) => new(Key(key), 1, side, [], "", new(0, 0, 1, 1, side, side, false));
        await queue.AddAsync([Sized("small", 11), Sized("vast", 3000), Sized("large", 40)], DrawingQueue.Wanted, Engine, cancel);
        foreach (var (most, side) in new (long?, int)[] { (8_000_000, 40), (null, 3000), (null, 11) })
        {
            var sized = (await queue.TakeAsync(Engine, lease, cancel, most))!.Job;
            Assert.Equal(side, sized.Ordinal);
            await new DrawingStore(database).PutAsync(sized.Key, new Drawn(null, "Only a test."), cancel);
        }

        var taken = await Task.WhenAll(Enumerable.Range(0, 4).Select(async _ =>
        {
            var mine = new List<DrawingJob>();
            while (await queue.TakeAsync(Engine, lease, cancel) is { } one)
            {
                mine.Add(one.Job);
            }
            return mine;
        }));
        Assert.Equal(39, taken.SelectMany(t => t).Select(j => j.Ordinal).Distinct().Count());
        Assert.Equal(39, taken.Sum(t => t.Count));
        Assert.Equal([7], taken[0].Concat(taken[1]).First().Without);

        // A taker that died gives its jobs back; one that dies again and again is given up.
        var key = "";
        foreach (var expected in new[] { false, false, true })
        {
            await RunAsync("update drawing_jobs set leased_until = now() - interval '1 second'");
            var again = await queue.TakeAsync(Engine, lease, cancel);
            Assert.Equal(expected, again!.IsGivenUp);
            key = again.Job.Key;
        }
        // What it took and does not know of, because the answer was lost, is nobody's when the lease runs out.
        await RunAsync("update drawing_jobs set leased_until = now() + interval '1 hour' where taken_by <> ''");
        await queue.HoldAsync([new('f', 64)], TimeSpan.FromHours(2), cancel);
        Assert.Equal(0L, await CountAsync("select count(*) from drawing_jobs where leased_until > now() + interval '90 minutes'"));
        await queue.HoldAsync([key], TimeSpan.FromHours(2), cancel);
        Assert.Equal(1L, await CountAsync("select count(*) from drawing_jobs where leased_until > now() + interval '90 minutes'"));
        // One that lives holds on to what it took, and gives it back when it stops; other engines leave it alone.
        await queue.HoldAsync([key], lease, cancel);
        Assert.Null(await queue.TakeAsync("engine 2", lease, cancel));
        await queue.GiveBackAsync(cancel);
        Assert.Null(await queue.TakeAsync("engine 2", lease, cancel));
        Assert.NotNull(await queue.TakeAsync(Engine, lease, cancel));
        // What came of a job takes it off.
        var drawings = new DrawingStore(database);
        foreach (var job in jobs)
        {
            await (job.Ordinal % 2 == 0 ? drawings.PutAsync(job.Key, new Drawn([4], null), cancel) : drawings.PutLookAsync(job.Key, new(null, null), cancel));
        }
        Assert.Null(await queue.TakeAsync(Engine, lease, cancel));
    }

    [Fact]
    public async Task Many_who_queue_forget_and_take_at_once_never_stand_in_each_others_way()
    {
        var (queue, drawings) = (new DrawingQueue(database), new DrawingStore(database));
        var jobs = Enumerable.Range(0, 120).Select(i => new DrawingJob(Key($"crowd {i}"), 77, i, [], "", new(0, 0, 1, 1, 10 + i, 10, false))).ToList();
        var forgotten = new List<string>();
        await Task.WhenAll(Enumerable.Range(0, 6).Select(async who =>
        {
            var random = new Random(who);
            for (var round = 0; round < 12; round++)
            {
                var some = jobs.OrderBy(_ => random.Next()).Take(80).ToList();
                await queue.AddAsync(some, DrawingQueue.Ahead, Engine, cancel);
                var gone = await queue.KeepAheadAsync([77], [.. some.Take(40).Select(j => j.Key)], cancel);
                lock (forgotten)
                {
                    forgotten.AddRange(gone);
                }
                if (await queue.TakeAsync(Engine, TimeSpan.FromMinutes(5), cancel) is var (job, _))
                {
                    await drawings.PutAsync(job.Key, new Drawn([9], null), cancel);
                }
            }
        }));
        Assert.NotEmpty(forgotten);
        // What is wanted, taken, or of another draft is left alone.
        var (wanted, taken, other) = (jobs[0] with { Key = Key("wanted") }, jobs[1] with { Key = Key("taken") }, jobs[2] with { Key = Key("other"), Draft = 78 });
        await queue.KeepAheadAsync([77], [], cancel);
        await queue.AddAsync([taken], DrawingQueue.Ahead, Engine, cancel);
        Assert.Equal(taken.Key, (await queue.TakeAsync(Engine, TimeSpan.FromMinutes(5), cancel))!.Job.Key);
        await queue.AddAsync([wanted], DrawingQueue.Wanted, Engine, cancel);
        await queue.AddAsync([other], DrawingQueue.Ahead, Engine, cancel);
        Assert.Empty(await queue.KeepAheadAsync([77], [], cancel));
        foreach (var job in new[] { wanted, taken, other })
        {
            await drawings.PutAsync(job.Key, new Drawn(null, "Only a test."), cancel);
        }
    }
}
