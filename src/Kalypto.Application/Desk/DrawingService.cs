using System.Collections.Concurrent;
using Kalypto.Core.Deciding;
using Kalypto.Core.Designs;
using Kalypto.Core.Formats;
using Kalypto.Core.Isolating;
using Kalypto.Core.Reading;
using Kalypto.Core.Rendering;
using Kalypto.Drawing.Exact;
using Kalypto.Drawing.Workers;
using Kalypto.Store;
using Microsoft.Extensions.Hosting;
using Microsoft.Extensions.Logging;

namespace Kalypto.Application.Desk;

/// <summary>Works off the drawing queue, with as many takers as this process is to have drawers, and one more.</summary>
public sealed class DrawingService(
    DrawingQueue queue, DrawingStore store, DrawingCache cache, DrawingDesk desk, ScreenProofs proofs, PictureProofs pictureProofs, Notices notices, IRenderer renderer, DrawingOptions options, ILogger<DrawingService> log) : BackgroundService
{
    // Said again by a living process long before it runs out.
    private static readonly TimeSpan Lease = TimeSpan.FromSeconds(30);
    private static readonly TimeSpan Hold = TimeSpan.FromSeconds(6);
    private static readonly TimeSpan Poll = TimeSpan.FromSeconds(1);
    private const int PutBackTries = 5;
    private const string GivenUp = "It stopped Kalypto several times while it was drawn.";
    private const string Unreadable = "The drawing could not be read again.";

    private readonly SlowDrafts slow = new();

    // The jobs that are worked on here right now, by key.
    private readonly ConcurrentDictionary<string, bool> inHand = new();
    private readonly SemaphoreSlim slowOnes = new(1);
    private readonly SemaphoreSlim large = new(1);

    /// <inheritdoc/>
    public override void Dispose()
    {
        large.Dispose();
        slowOnes.Dispose();
        base.Dispose();
    }

    /// <summary>Stops drawing and gives back what was taken.</summary>
    public override async Task StopAsync(CancellationToken cancellationToken)
    {
        await base.StopAsync(cancellationToken);
        await TryAsync(() => queue.GiveBackAsync(cancellationToken));
    }

    /// <summary>One taker more than there are drawers: while the result of one is kept, all of them draw.</summary>
    protected override Task ExecuteAsync(CancellationToken stoppingToken) => options.Drawers == 0 ? Task.CompletedTask
        : Task.WhenAll(Enumerable.Range(0, options.Drawers + 1).Select(_ => Task.Run(() => WorkAsync(stoppingToken), stoppingToken)).Append(Task.Run(() => HoldAsync(stoppingToken), stoppingToken)));

    private async Task HoldAsync(CancellationToken cancel)
    {
        while (!cancel.IsCancellationRequested)
        {
            await Task.WhenAny(Task.Delay(Hold, cancel));
            await TryAsync(() => queue.HoldAsync([.. inHand.Keys], Lease, cancel));
        }
    }

    private async Task WorkAsync(CancellationToken cancel)
    {
        while (!cancel.IsCancellationRequested)
        {
            var (queued, changed) = (desk.Queued, desk.Changed);
            string? taken = null;
            var takesSlow = false;
            // Large pictures are drawn one at a time; whoever comes meanwhile takes a smaller one rather than wait for it.
            var takesLarge = large.Wait(0, CancellationToken.None);
            try
            {
                var (next, isSlow) = await TakeAsync(takesLarge ? null : WorkerRenderer.LargePixels, cancel);
                takesSlow = isSlow;
                if (next is null)
                {
                    Free(ref takesLarge);
                    await Task.WhenAny(queued, changed, Task.Delay(Poll, cancel));
                    continue;
                }
                var job = next.Job;
                taken = job.Key;
                inHand[taken] = true;
                Turn.Current = new(next.Priority, next.Project, job.Draft);
                if (job.Picture is not { Pixels: > WorkerRenderer.LargePixels })
                {
                    Free(ref takesLarge);
                }
                if (await DoAsync(next, cancel) is not Done.Yes and var again)
                {
                    await PutBackAsync(taken, again == Done.Again, cancel);
                    continue;
                }
                if (job.Picture is { Quick: false } || job.IsProof || desk.WasAwaited(job.Key))
                {
                    notices.Give();
                }
            }
            catch (OperationCanceledException)
            {
                // The server stops; the job stays queued.
            }
            catch (Exception e)
            {
                log.LogError(e, "A drawing job failed; it is tried again later");
                // That the database is away says nothing of the job.
                await PutBackAsync(taken, counts: e is not Npgsql.NpgsqlException, cancel);
            }
            finally
            {
                if (taken is not null)
                {
                    inHand.TryRemove(taken, out _);
                }
                Free(ref takesLarge);
                if (takesSlow)
                {
                    slowOnes.Release();
                }
            }
        }
    }

    // What ran out of time once may do so with all that it holds: one drawer at a time, when nothing else waits.
    private async Task<(TakenJob? Job, bool IsSlow)> TakeAsync(long? mostPixels, CancellationToken cancel)
    {
        var known = slow.List(DateTime.UtcNow);
        var job = await queue.TakeAsync(renderer.Identity, Lease, cancel, mostPixels, known);
        if (job is not null || known.Length == 0 || !slowOnes.Wait(0, CancellationToken.None))
        {
            return (job, false);
        }
        try
        {
            job = await queue.TakeAsync(renderer.Identity, Lease, cancel, mostPixels);
        }
        finally
        {
            if (job is null)
            {
                slowOnes.Release();
            }
        }
        return (job, job is not null);
    }

    private void Free(ref bool takesLarge)
    {
        if (takesLarge)
        {
            takesLarge = false;
            large.Release();
        }
    }

    private async Task PutBackAsync(string? key, bool counts, CancellationToken cancel)
    {
        await Task.WhenAny(Task.Delay(Poll, cancel));
        if (key is null)
        {
            return;
        }
        // Nobody renews its lease from here on: where this fails too, the job comes free when that runs out.
        inHand.TryRemove(key, out _);
        for (var tries = 1; tries < PutBackTries && !await TryAsync(() => queue.PutBackAsync(key, counts, cancel)); tries++)
        {
            await Task.WhenAny(Task.Delay(Poll * tries, cancel));
        }
    }

    private static async Task<bool> TryAsync(Func<Task> act)
    {
        try
        {
            await act();
            return true;
        }
        catch (Exception e) when (e is Npgsql.NpgsqlException or OperationCanceledException)
        {
            // The database is away or the server stops: the leases run out by themselves.
            return false;
        }
    }

    // What came of a job.
    private enum Done
    {
        Yes,
        // It failed in a way that may pass.
        Again,
        // It could not be tried: the drawing that it is of is being read again.
        NotTried,
    }

    /// <summary>Draws and keeps what came of it.</summary>
    private async Task<Done> DoAsync(TakenJob taken, CancellationToken cancel)
    {
        var job = taken.Job;
        if (job.Picture is { SmallerOf: { } drawnKey })
        {
            return await MakeSmallerAsync(taken, drawnKey, cancel);
        }
        // What fails before anything is drawn is no property of the picture: it may be read, or be there, another time.
        string? failure = taken.IsGivenUp ? GivenUp : null;
        MeasuredDrawing? measured = null;
        Isolation? isolation = null;
        Box? shape = null;
        if (failure is null)
        {
            try
            {
                measured = await cache.GetAsync(job.Draft, job.Arrangement, FontBooks.Of(job.Fonts), cancel);
                var layer = measured.Drawing.Layers[job.Ordinal];
                isolation = job.Picture is { OnScreen: true } ? measured.IsolateOnScreen(layer) : measured.Isolate(layer, job.Without.ToHashSet());
                shape = measured.ShapeOf(layer);
            }
            catch (DrawingRefusedException e) when (e.IsPassing)
            {
                return Done.NotTried;
            }
            catch (Exception e) when (e is KeyNotFoundException or InvalidOperationException or IndexOutOfRangeException or DrawingRefusedException)
            {
                failure = Unreadable;
            }
        }
        if (job.IsProof)
        {
            var isProved = job.Picture is null ? await proofs.ProveAsync(taken, failure is null ? measured : null, failure, cancel)
                : await pictureProofs.ProveAsync(taken, failure is null ? measured : null, failure, cancel);
            return isProved ? Done.Yes : Done.Again;
        }
        if (job.Picture is { } picture)
        {
            var crop = new Box(picture.X, picture.Y, picture.W, picture.H);
            var drawn = failure is not null ? new Drawn(null, failure)
                : picture.Quick ? await renderer.DrawAsync(isolation!.Scene(crop, picture.Width, picture.Height, isExact: job.IsExact), picture.Width, picture.Height, Effort.Quick, cancel)
                : await renderer.MakeFileAsync(isolation!, new(crop, (picture.PointsWide, picture.PointsTall), (picture.Width, picture.Height), FormatAsk.Parse(picture.Format)!)
                {
                    Ground = picture.Ground,
                    Credit = picture.Credit ?? CreditLines.None,
                    Links = [.. picture.Links],
                    Linked = picture.Linked,
                    IsExact = job.IsExact,
                    TakesColour = picture.TakesColour,
                    Mirrors = picture.Mirrors,
                    KeepsWide = picture.KeepsWide,
                    Patch = picture.Patch is { } patch ? NinePatch.Parse(patch) : null,
                }, cancel);
            if (IsAgain(taken, drawn.IsPassing, drawn.IsSlow))
            {
                return Done.Again;
            }
            desk.Tell(await store.PutAsync(job.Key, drawn with { IsPassing = drawn.IsPassing || failure is not null }, cancel, picture.Quick));
        }
        else
        {
            var look = failure is not null ? new(null, failure)
                : shape is { } box ? await renderer.LookAsync(isolation!, box, job.IsExact, cancel)
                : new Look(null, null);
            if (IsAgain(taken, look.IsPassing, look.IsSlow))
            {
                return Done.Again;
            }
            look = look with { IsPassing = look.IsPassing || failure is not null };
            await store.PutLookAsync(job.Key, look, cancel);
            desk.Tell(job.Key, look);
        }
        return Done.Yes;
    }

    private async Task<Done> MakeSmallerAsync(TakenJob taken, string drawnKey, CancellationToken cancel)
    {
        var smaller = taken.IsGivenUp ? new(null, GivenUp) : await store.BytesAsync(drawnKey, cancel) is { } png ? await renderer.SmallerAsync(png, cancel) : new Drawn(null, "What was drawn is gone.") { IsPassing = true };
        if (smaller.IsPassing && !taken.IsLast)
        {
            return Done.Again;
        }
        desk.Tell(await store.PutAsync(taken.Job.Key, smaller, cancel));
        return Done.Yes;
    }

    private bool IsAgain(TakenJob taken, bool isPassing, bool isSlow)
    {
        if (isSlow)
        {
            slow.Add(taken.Job.Draft, DateTime.UtcNow);
        }
        return isPassing && !taken.IsLast;
    }
}
