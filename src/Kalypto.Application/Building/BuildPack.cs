using System.Collections.Concurrent;
using System.Diagnostics;
using System.Text.Json;
using Kalypto.Application.Asking;
using Kalypto.Application.Desk;
using Kalypto.Application.Opening;
using Kalypto.Application.Packs;
using Kalypto.Core.Naming;
using Kalypto.Core.Packing;
using Kalypto.Store;
using Microsoft.Extensions.Hosting;
using Microsoft.Extensions.Logging;

namespace Kalypto.Application.Building;

/// <summary>
/// Builds the pack of a project, or a part of it, in the background. A build belongs to the process that runs it as long as
/// that lives; when it stops or dies, it or another goes on with just what was said when the build began.
/// </summary>
public sealed class BuildPack(
    OpenProject open, PlanPack plans, BuildStore builds, IBlobs blobs, DrawingDesk desk, ScreenProofs screenProofs, ProvePictures pictures, OpenQuestions questions, PackFiles files, IHostApplicationLifetime lifetime, ILogger<BuildPack> log) : BackgroundService
{
    private const int LongestLine = 200;
    private const int MostTries = 3;

    // Pictures get ready in bursts; one look at all of them serves for many.
    private static readonly TimeSpan Pause = TimeSpan.FromMilliseconds(120);

    // A living process says long before this is over that it is alive.
    private static readonly TimeSpan Lease = TimeSpan.FromSeconds(20);
    private static readonly TimeSpan MostReading = TimeSpan.FromMinutes(30);
    private static readonly TimeSpan MostProving = TimeSpan.FromMinutes(2);
    private static readonly TimeSpan Look = TimeSpan.FromSeconds(2);
    private readonly ConcurrentDictionary<int, CancellationTokenSource> running = new();

    // Builds that were taken over and whose project is being loaded.
    private readonly ConcurrentDictionary<int, bool> goingOn = new();

    /// <summary>Begins a build.</summary>
    /// <param name="workspace">The project.</param>
    /// <param name="ask">What of it.</param>
    /// <param name="cancel">Ends the wait.</param>
    /// <param name="line">What the delivery is for.</param>
    /// <param name="by">Who makes it.</param>
    /// <returns>The number of the build, or why there can be none.</returns>
    public async Task<(int? Build, BuildRefusal? Refusal)> StartAsync(Workspace workspace, BuildAsk ask, CancellationToken cancel, string line = "", Actor? by = null)
    {
        if (workspace.Row.ArchivedAt is not null)
        {
            return (null, new(BuildRefusal.Why.Archived));
        }
        if (workspace.IsReadAgain)
        {
            return (null, new(BuildRefusal.Why.NotNow));
        }
        if (UnreadableIn(workspace) is { } unreadable)
        {
            return (null, new(BuildRefusal.Why.Blocked, unreadable));
        }
        if (ask.MistakeFor(workspace) is { } mistake)
        {
            return (null, new(BuildRefusal.Why.Blocked, mistake));
        }
        var said = workspace.Said;
        workspace = ask.On(workspace);
        var plan = await plans.PlanAsync(workspace, cancel);
        // What failed in passing before is tried again for whoever wants it now.
        await desk.ForgetFailuresAsync([.. plan.Pack.Files.Where(f => plan.Drawn.TryGetValue(f.Key.Hex, out var row) && row.IsPassing).Select(f => f.Key.Hex),
            .. plan.Pack.Pictures.Where(p => plan.Looks(p.Key)?.IsPassing == true).Select(p => desk.LookKey(p.Key))], onlyPassing: true, cancel);
        if (BlockerOf(workspace, plan, ask) is { } blocker)
        {
            return (null, new(BuildRefusal.Why.Blocked, blocker));
        }
        var total = plan.Pack.Files.Count(ask.Holds(workspace));
        if (total == 0)
        {
            return (null, new(plan.Pack.Files.IsEmpty ? BuildRefusal.Why.NothingShips : BuildRefusal.Why.NothingOfPart));
        }
        var id = await builds.AddAsync(workspace.Row.Id, total, ask.Words(workspace), JsonSerializer.Serialize(ask), said, Lease, cancel, PlainText.Clean(line, LongestLine), by?.Name ?? "");
        Run(id, workspace, ask);
        return (id, null);
    }

    /// <summary>Makes a delivery again out of what was said when it was made: a new one of equal bytes.</summary>
    public async Task<(int? Build, BuildRefusal? Refusal)> AgainAsync(BuildRow delivery, Actor by, CancellationToken cancel) => await builds.SaidAsync(delivery.Id, cancel) is not { } said
        ? (null, new(BuildRefusal.Why.NotKept))
        : await StartAsync(await open.LoadAsync(said, cancel), JsonSerializer.Deserialize<BuildAsk>(delivery.Asked) ?? new(), cancel, $"delivery {delivery.Number} made again", by);

    /// <summary>Writes the zip of a build, file by file.</summary>
    public async Task ZipAsync(int build, Stream target, CancellationToken cancel, string? platform = null)
    {
        await using var zip = await PackZip.CreateAsync(target, cancel);
        foreach (var file in (await builds.FilesAsync(build, cancel)).Where(f => platform is null || f.Platform == platform))
        {
            await zip.AddAsync(file.Path, await blobs.OpenAsync(file.Sha256, cancel) ?? throw new InvalidOperationException($"{file.Path} is gone from the store."), cancel);
        }
    }

    /// <inheritdoc/>
    public override async Task StopAsync(CancellationToken cancellationToken)
    {
        await base.StopAsync(cancellationToken);
        foreach (var stop in running.Values)
        {
            try
            {
                await stop.CancelAsync();
            }
            catch (ObjectDisposedException)
            {
                // It ended by itself at this moment.
            }
        }
        try
        {
            await builds.LetGoAsync(cancellationToken);
        }
        catch (Exception e) when (e is Npgsql.NpgsqlException or OperationCanceledException)
        {
            // The database is away: the leases run out by themselves.
        }
    }

    /// <summary>Looks again and again for builds that nobody holds any more.</summary>
    protected override async Task ExecuteAsync(CancellationToken stoppingToken)
    {
        while (!stoppingToken.IsCancellationRequested)
        {
            try
            {
                // Planning a large pack on a busy machine takes longer than a lease: it is renewed as long as this process lives.
                await builds.HoldAsync([.. running.Keys, .. goingOn.Keys], Lease, stoppingToken);
                foreach (var (build, said) in await builds.TakeOverAsync(Lease, stoppingToken))
                {
                    goingOn[build.Id] = true;
                    log.LogInformation("Build {Build} goes on", build.Id);
                    _ = Task.Run(() => GoOnAsync(build, said, lifetime.ApplicationStopping), CancellationToken.None);
                }
            }
            catch (Exception e) when (e is Npgsql.NpgsqlException or OperationCanceledException)
            {
                // The database is away or the server stops.
            }
            await Task.WhenAny(Task.Delay(Look, stoppingToken));
        }
    }

    private async Task GoOnAsync(BuildRow build, ProjectState said, CancellationToken cancel)
    {
        try
        {
            var workspace = await open.LoadAsync(said, cancel);
            // A drawing whose reading was interrupted is read again, and the build waits for that.
            for (var began = Stopwatch.GetTimestamp(); workspace.IsReadAgain && Stopwatch.GetElapsedTime(began) < MostReading; workspace = await open.LoadAsync(said, cancel))
            {
                var (isHeld, isCancelled) = await builds.ProgressAsync(build.Id, build.Done, build.Drawn, Lease, cancel);
                if (isCancelled)
                {
                    await builds.EndAsync(build.Id, "cancelled", "It was cancelled. What is drawn already is kept.", [], cancel);
                }
                if (!isHeld || isCancelled)
                {
                    return;
                }
                await Task.Delay(Look, cancel);
            }
            if (UnreadableIn(workspace) is { } unreadable)
            {
                await builds.EndAsync(build.Id, "failed", unreadable, [], cancel);
                return;
            }
            var ask = JsonSerializer.Deserialize<BuildAsk>(build.Asked) ?? new();
            Run(build.Id, ask.On(workspace), ask);
        }
        catch (Exception e) when (e is OperationCanceledException or Npgsql.NpgsqlException)
        {
            // The server stops or the database is away: whoever comes next goes on.
        }
        catch (Exception e)
        {
            log.LogError(e, "Build {Build} cannot go on", build.Id);
            await FailAsync(build.Id);
        }
        finally
        {
            goingOn.TryRemove(build.Id, out _);
        }
    }

    // A pack without the files of a design would look whole.
    private static string? UnreadableIn(Workspace workspace) => workspace.Unreadable is [var (design, _), ..]
        ? $"The drawing of {design.Name} cannot be read any more. Bring in a newer one or remove the design, on Screens." : null;

    // What is wrong with a part that is not built does not stop this one.
    private static string? BlockerOf(Workspace workspace, PlannedPack plan, BuildAsk ask)
    {
        var layers = ask == new BuildAsk() ? null : plan.Pack.Files.Where(ask.Holds(workspace)).SelectMany(f => f.Picture.Places).ToHashSet();
        return plan.Pack.Blockers.FirstOrDefault(b => layers is null || layers.Contains(b.Layer))?.Sentence;
    }

    private void Run(int id, Workspace workspace, BuildAsk ask)
    {
        var stop = running[id] = CancellationTokenSource.CreateLinkedTokenSource(lifetime.ApplicationStopping);
        _ = Task.Run(async () =>
        {
            var held = new HeldBuild(builds, id);
            // What goes wrong in a way that nobody thought of may pass, as when the database or a worker dies at an odd moment.
            try
            {
                for (var tries = 1; !await RunAsync(held, workspace, ask, tries == MostTries, stop.Token); tries++)
                {
                    await Task.WhenAny(Task.Delay(Look, stop.Token));
                }
            }
            finally
            {
                running.TryRemove(id, out _);
                stop.Dispose();
            }
        }, CancellationToken.None);
    }

    // False for what went wrong in an unexpected way and is tried again, unless it is the last try.
    private async Task<bool> RunAsync(HeldBuild held, Workspace workspace, BuildAsk ask, bool isLast, CancellationToken cancel)
    {
        string[] keys = [];
        try
        {
            var holds = ask.Holds(workspace);
            HashSet<string>? before = null;
            PlannedPack plan;
            var (unproved, since) = ((Left: -1, Failed: 0), Stopwatch.GetTimestamp());
            while (true)
            {
                var change = desk.Changed;
                // The files of one layer become known when its crop is; so look, plan and queue until nothing is missing.
                plan = await plans.PlanAsync(workspace, cancel);
                before ??= [.. plan.Drawn.Keys];
                var wanted = plan.Pack.Files.Where(holds).ToList();
                keys = [.. wanted.Select(f => f.Key.Hex)];
                // Which engine draws a layer is known when its screen is proved, and its picture. That is waited for as long as it goes on.
                var proofs = await UnprovedAsync(workspace, wanted, cancel);
                await held.TellAsync(wanted, plan.Drawn, before, Lease, cancel, proofs.Left);
                if (proofs != unproved)
                {
                    (unproved, since) = (proofs, Stopwatch.GetTimestamp());
                }
                if (proofs.Left > 0 && Stopwatch.GetElapsedTime(since) < MostProving)
                {
                    await Task.WhenAny(change, Task.Delay(TimeSpan.FromSeconds(1), cancel));
                    continue;
                }
                if (await plans.DrawAheadAsync(workspace, plan, DrawingQueue.Wanted, cancel, holds))
                {
                    break;
                }
                await Task.WhenAny(change, Task.Delay(TimeSpan.FromSeconds(1), cancel));
                await Task.Delay(Pause, cancel);
                if (!wanted.Exists(f => f.Picture.CropIsGuess))
                {
                    await AllAsync([.. keys], drawn => held.TellAsync(wanted, drawn, before, Lease, cancel), cancel);
                }
            }
            if (BlockerOf(workspace, plan, ask) is { } blocker)
            {
                await builds.EndAsync(held.Id, "failed", blocker, [], cancel);
                return true;
            }
            // The PNGs once more, as small as they go.
            var part = plan.Pack.Files.Where(holds).ToList();
            var jobs = new Jobs(workspace, desk);
            var again = part.DistinctBy(f => f.Key).Select(f => jobs.Smaller(f, plan.Drawn[f.Key.Hex])).OfType<DrawingJob>().ToList();
            keys = [.. keys, .. again.Select(j => j.Key)];
            await desk.QueueAsync(again, DrawingQueue.Wanted, cancel);
            var made = await AllAsync([.. again.Select(j => j.Key)], _ => held.TellAsync(part, plan.Drawn, before, Lease, cancel), cancel);
            var smaller = again.ToDictionary(j => j.Picture!.SmallerOf!, j => made[j.Key]);
            var (delivered, missing) = await files.OfAsync(workspace, plan, smaller, part, ask.Just is not null, cancel);
            await builds.EndAsync(held.Id, "done", Message(missing, unproved.Left + unproved.Failed, ask.Just is not null), delivered, cancel);
            if (await builds.FindAsync(held.Id, cancel) is { Number: { } number, StartedAt: var begun })
            {
                var paths = delivered.Select(f => f.Path).ToHashSet(StringComparer.Ordinal);
                await questions.SettleAsync(workspace, number, begun, plan.Pack.Files.Where(f => paths.Contains(f.Path)).SelectMany(f => f.Picture.Places).ToHashSet(), cancel);
            }
        }
        catch (HeldBuild.LostException)
        {
            log.LogInformation("Build {Build} goes on in another process", held.Id);
        }
        catch (HeldBuild.CancelledException)
        {
            // Others go before what nobody waits for any more.
            await desk.LessUrgentAsync(keys, default);
            await builds.EndAsync(held.Id, "cancelled", "It was cancelled. What is drawn already is kept.", [], default);
        }
        catch (OperationCanceledException)
        {
            // A stop leaves it as running, and whoever comes next goes on with it.
        }
        catch (Npgsql.NpgsqlException e) when (e is not Npgsql.PostgresException { IsTransient: false, SqlState: not Npgsql.PostgresErrorCodes.DiskFull })
        {
            // The database is away or full: when it is back and the lease has run out, this or another process goes on.
            log.LogWarning(e, "Build {Build} waits for the database", held.Id);
        }
        catch (Exception e)
        {
            log.LogError(e, "Build {Build} failed{Again}", held.Id, isLast ? "" : " and is tried again");
            if (!isLast)
            {
                return false;
            }
            await FailAsync(held.Id);
        }
        return true;
    }

    private static string? Message(int missing, int unproved, bool isPart) => string.Join(' ', new[]
    {
        missing > 0 ? $"{missing} of the files could not be made{(isPart ? "" : "; manifest.json names them")}." : "",
        unproved > 0 ? $"{unproved} of the screens and pictures could not be compared with a browser." : "",
    }.Where(s => s.Length > 0)) is { Length: > 0 } message ? message : null;

    private async Task<(int Left, int Failed)> UnprovedAsync(Workspace workspace, List<PlannedFile> wanted, CancellationToken cancel)
    {
        var designs = wanted.Select(f => f.Picture.Ref.Design).Distinct().Select(d => workspace.FindDesign(d)!.Value);
        // Of what the proof of a screen has shown, nothing more needs to be shown of the picture.
        return await screenProofs.AskAsync([.. designs.Select(d => (d.Row.DraftId, d.State.Measured))], cancel, DrawingQueue.Wanted) is > 0 and var screens ? (screens, 0)
            : await pictures.AskAsync(workspace, wanted, cancel, DrawingQueue.Wanted);
    }

    private async Task FailAsync(int id)
    {
        try
        {
            await builds.EndAsync(id, "failed", "Something went wrong in Kalypto; its log says what. Build again.", [], default);
        }
        catch (Npgsql.NpgsqlException e)
        {
            // The database is away: the build is taken over when its lease has run out.
            log.LogWarning(e, "The end of build {Build} could not be told", id);
        }
    }

    /// <summary>Waits until all of some pictures are there, told how far it is meanwhile: nothing of the plan changes by then.</summary>
    private async Task<IReadOnlyDictionary<string, DrawingRow>> AllAsync(HashSet<string> keys, Func<IReadOnlyDictionary<string, DrawingRow>, Task> tell, CancellationToken cancel)
    {
        while (true)
        {
            var change = desk.Changed;
            var drawn = await desk.DrawnAsync(keys, cancel);
            await tell(drawn);
            if (drawn.Count == keys.Count)
            {
                return drawn;
            }
            await Task.WhenAny(change, Task.Delay(TimeSpan.FromSeconds(1), cancel));
            await Task.Delay(Pause, cancel);
        }
    }
}
