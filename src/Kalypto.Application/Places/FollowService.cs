using System.Collections.Concurrent;
using Kalypto.Application.Building;
using Kalypto.Application.Opening;
using Kalypto.Application.Packs;
using Kalypto.Core.Designs;
using Kalypto.Core.Placing;
using Kalypto.Store;
using Kalypto.Store.People;
using Microsoft.Extensions.Hosting;
using Microsoft.Extensions.Logging;

namespace Kalypto.Application.Places;

/// <summary>
/// Delivers to the places that follow a project a moment after its last change, when all is sure and nothing blocks; else it
/// waits and says what for. Each place goes on by itself, so that a large delivery keeps no other place waiting; a change that
/// comes meanwhile ends it and goes with the next.
/// </summary>
public sealed class FollowService(
    PlaceStore places, OpenProject open, PlanPack plans, BuildPack building, BuildStore builds, Deliveries deliveries, DeliverTo deliver, AuditStore audit, PlaceOptions options, ILogger<FollowService> log) : BackgroundService
{
    private static readonly Actor Follower = Actor.Local("follow", "following");
    private static readonly TimeSpan Still = TimeSpan.FromMilliseconds(300);
    private static readonly TimeSpan Look = TimeSpan.FromMilliseconds(250);

    // Each holds a connection to the database as long as it goes on.
    private const int MostAtOnce = 8;

    // How often a place says how far its delivery is.
    private static readonly TimeSpan Tell = TimeSpan.FromSeconds(1);

    // What goes on at each place, by its number.
    private readonly ConcurrentDictionary<int, Following> running = new();

    /// <inheritdoc/>
    protected override async Task ExecuteAsync(CancellationToken stoppingToken)
    {
        // Whoever may deliver nowhere follows nothing.
        while (options.Roots.Count > 0 && !stoppingToken.IsCancellationRequested)
        {
            try
            {
                foreach (var place in await places.ToFollowAsync(Still, stoppingToken))
                {
                    if (!running.TryGetValue(place.Id, out var present))
                    {
                        if (running.Count >= MostAtOnce)
                        {
                            continue;
                        }
                        _ = Task.Run(() => FollowAsync(place, stoppingToken), CancellationToken.None);
                    }
                    else if (present.Revision != place.Followed)
                    {
                        present.IsOvertaken = true;
                    }
                }
            }
            catch (Exception e) when (e is Npgsql.NpgsqlException or OperationCanceledException)
            {
                // The database is away or the server stops.
            }
            await Task.WhenAny(Task.Delay(Look, stoppingToken));
        }
    }

    /// <summary>Follows once, unless this or another process is at the place.</summary>
    public async Task FollowAsync(PlaceRow place, CancellationToken cancel)
    {
        var following = new Following(place.Followed);
        if (!running.TryAdd(place.Id, following))
        {
            return;
        }
        try
        {
            await using var alone = await places.TryFollowAsync(place.Id, cancel);
            // What was asked before it was free may be done by now.
            if (alone is not null && await places.FindAsync(place.ProjectId, place.Id, cancel) is { Follows: true } now && now.Followed != place.Followed)
            {
                await FollowAsync(now with { Followed = place.Followed }, following, cancel);
            }
        }
        catch (Exception e) when (e is Npgsql.NpgsqlException or OperationCanceledException)
        {
            // The database is away or the server stops: the place is looked at again then.
        }
        finally
        {
            running.TryRemove(place.Id, out _);
        }
    }

    private async Task FollowAsync(PlaceRow place, Following following, CancellationToken cancel)
    {
        Outcome outcome;
        try
        {
            if (await open.LoadAsync(place.ProjectId, cancel) is not { } workspace)
            {
                return;
            }
            outcome = workspace.IsReadAgain ? new(place.Pack, "a drawing that is being read again") { IsDone = false } : await DeliverAsync(place, workspace, following, cancel);
        }
        catch (PlaceRefusedException e)
        {
            outcome = new(place.Pack, e.Message);
        }
        catch (Exception e) when (e is not Npgsql.NpgsqlException and not OperationCanceledException)
        {
            log.LogError(e, "Following to {Folder} failed", place.Folder);
            outcome = new(place.Pack, "Something went wrong in Kalypto; its log says what.");
        }
        await places.FollowedAsync(place.Id, outcome.IsDone ? place.Followed : 0, outcome.Pack, outcome.WaitsFor, outcome.Moves, cancel);
    }

    private async Task<Outcome> DeliverAsync(PlaceRow place, Workspace workspace, Following following, CancellationToken cancel)
    {
        if (workspace.Designs.Sum(d => d.Row.Asked) is > 0 and var asked)
        {
            return new(place.Pack, $"{asked} {(asked == 1 ? "layer" : "layers")} to say on the page of changes");
        }
        await places.TellAsync(place.Id, "a look at what changed", cancel);
        var plan = await plans.PlanAsync(workspace, cancel);
        if (plan.Pack.Blockers.FirstOrDefault() is { } blocker)
        {
            return new(place.Pack, blocker.Sentence);
        }
        // Once every crop is known, equal packs come to equal files: nothing is delivered twice.
        if (plan.IsSeen && place.Pack.Length > 0 && PackOf(plan) == place.Pack)
        {
            return new(place.Pack, "");
        }
        if (await deliver.MovesAsync(place, FilesToCome.Of(workspace, plan), cancel) is { IsEmpty: false } moves && FolderMove.Write(moves) is var written && written != place.Agreed)
        {
            return new(place.Pack, $"your yes to {moves.Sum(m => m.Files)} files that would lie in another folder") { Moves = written };
        }
        var (build, refusal) = await building.StartAsync(workspace, new(place.Platform.Length > 0 ? place.Platform : null), cancel, "followed by itself", Follower);
        if (build is not { } id)
        {
            return new(place.Pack, refusal!.Reason == BuildRefusal.Why.NothingShips ? "something that ships" : refusal.Sentence ?? "a pack that can be built");
        }
        var row = await EndedAsync(place, id, following, cancel);
        if (following.IsOvertaken)
        {
            return new(place.Pack, "the change that came last") { IsDone = false };
        }
        if (row?.Number is not { } number)
        {
            return new(place.Pack, row?.Message ?? "a build that ends well");
        }
        var done = await deliver.DeliverAsync(place, number, new HashSet<string>(), new HashSet<string>(), cancel);
        if (done is { IsDone: true, Plan.IsNothing: false })
        {
            await audit.AddAsync(new(AuditEvent.PlaceWritten, Follower.Name, null, place.ProjectId, "", $"delivery {number} to {place.Folder}"), cancel);
        }
        return done is { IsDone: true } ? new(PackOf(await plans.PlanAsync(workspace, cancel)), "")
            : new(place.Pack, done is null ? "a delivery" : $"{done.Plan.Conflicts.Length} files in the place that somebody changed: {done.Plan.Conflicts[0].Path}");
    }

    // Waits for a build and says how far it is; when something changes meanwhile, it is ended.
    private async Task<BuildRow?> EndedAsync(PlaceRow place, int build, Following following, CancellationToken cancel)
    {
        var ended = deliveries.EndedAsync(build, cancel);
        for (var isAsked = false; await Task.WhenAny(ended, Task.Delay(isAsked ? Tell : Look, cancel)) != ended;)
        {
            if (following.IsOvertaken && !isAsked)
            {
                await builds.AskToCancelAsync(place.ProjectId, build, cancel, "Something changed meanwhile: it goes with the next delivery.");
                isAsked = true;
            }
            if (await builds.FindAsync(build, cancel) is { State: "running" } row)
            {
                await places.TellAsync(place.Id, row.ProofsLeft > 0
                    ? $"{row.ProofsLeft} {(row.ProofsLeft == 1 ? "screen" : "screens")} to be compared with the browser"
                    : row.Done < row.Total ? $"{row.Total - row.Done} of {row.Total} files to be drawn" : "files to be made as small as they go", cancel);
            }
        }
        return await ended;
    }

    private static string PackOf(PlannedPack plan) => Fingerprint.Of([.. plan.Pack.Files.Select(f => $"{f.Path} {f.Key.Hex}")]).Hex;

    private sealed class Following(long revision)
    {
        public long Revision => revision;

        public bool IsOvertaken { get; set; }
    }

    // What tells the delivered pack apart, and what is waited for.
    private sealed record Outcome(string Pack, string WaitsFor)
    {
        public string Moves { get; init; } = "";

        // False for what may go well in a moment: it is looked at again then, not only after the next change.
        public bool IsDone { get; init; } = true;
    }
}
