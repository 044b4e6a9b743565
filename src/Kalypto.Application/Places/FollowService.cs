using Kalypto.Application.Building;
using Kalypto.Application.Opening;
using Kalypto.Application.Packs;
using Kalypto.Core.Designs;
using Kalypto.Store;
using Kalypto.Store.People;
using Microsoft.Extensions.Hosting;
using Microsoft.Extensions.Logging;

namespace Kalypto.Application.Places;

/// <summary>
/// Delivers to the places that follow a project a moment after its last change, when all is sure and nothing blocks; else it
/// waits and says what for.
/// </summary>
public sealed class FollowService(
    PlaceStore places, OpenProject open, PlanPack plans, BuildPack building, Deliveries deliveries, DeliverTo deliver, AuditStore audit, PlaceOptions options, ILogger<FollowService> log) : BackgroundService
{
    private static readonly Actor Follower = Actor.Local("follow", "following");
    private static readonly TimeSpan Still = TimeSpan.FromMilliseconds(300);
    private static readonly TimeSpan Look = TimeSpan.FromMilliseconds(250);

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
                    await FollowAsync(place, stoppingToken);
                }
            }
            catch (Exception e) when (e is Npgsql.NpgsqlException or OperationCanceledException)
            {
                // The database is away or the server stops.
            }
            await Task.WhenAny(Task.Delay(Look, stoppingToken));
        }
    }

    /// <summary>Follows once.</summary>
    public async Task FollowAsync(PlaceRow place, CancellationToken cancel)
    {
        var (pack, waitsFor) = (place.Pack, "");
        // What may go well in a moment is looked at again then, not only after the next change.
        var isDone = true;
        try
        {
            if (await open.LoadAsync(place.ProjectId, cancel) is not { } workspace)
            {
                return;
            }
            if (workspace.IsReadAgain)
            {
                (isDone, waitsFor) = (false, "a drawing that is being read again");
            }
            else
            {
                (pack, waitsFor) = await DeliverAsync(place, workspace, cancel);
            }
        }
        catch (PlaceRefusedException e)
        {
            waitsFor = e.Message;
        }
        catch (Exception e) when (e is not Npgsql.NpgsqlException and not OperationCanceledException)
        {
            log.LogError(e, "Following to {Folder} failed", place.Folder);
            waitsFor = "Something went wrong in Kalypto; its log says what.";
        }
        await places.FollowedAsync(place.Id, isDone ? place.Followed : 0, pack, waitsFor, cancel);
    }

    private async Task<(string Pack, string WaitsFor)> DeliverAsync(PlaceRow place, Workspace workspace, CancellationToken cancel)
    {
        if (workspace.Designs.Sum(d => d.Row.Asked) is > 0 and var asked)
        {
            return (place.Pack, $"{asked} {(asked == 1 ? "layer" : "layers")} to say on the page of changes");
        }
        var plan = await plans.PlanAsync(workspace, cancel);
        if (plan.Pack.Blockers.FirstOrDefault() is { } blocker)
        {
            return (place.Pack, blocker.Sentence);
        }
        // Once every crop is known, equal packs come to equal files: nothing is delivered twice.
        var pack = plan.IsSeen ? Fingerprint.Of([.. plan.Pack.Files.Select(f => $"{f.Path} {f.Key.Hex}")]).Hex : "";
        if (pack.Length > 0 && pack == place.Pack)
        {
            return (pack, "");
        }
        var ask = new BuildAsk(place.Platform.Length > 0 ? place.Platform : null);
        var (build, refusal) = await building.StartAsync(workspace, ask, cancel, "followed by itself", Follower);
        if (build is not { } id)
        {
            return (place.Pack, refusal!.Reason == BuildRefusal.Why.NothingShips ? "something that ships" : refusal.Sentence ?? "a pack that can be built");
        }
        var row = await deliveries.EndedAsync(id, cancel);
        if (row?.Number is not { } number)
        {
            return (place.Pack, row?.Message ?? "a build that ends well");
        }
        var outcome = await deliver.DeliverAsync(place, number, new HashSet<string>(), new HashSet<string>(), cancel);
        if (outcome is { IsDone: true, Plan.IsNothing: false })
        {
            await audit.AddAsync(new(AuditEvent.PlaceWritten, Follower.Name, null, place.ProjectId, "", $"delivery {number} to {place.Folder}"), cancel);
        }
        plan = await plans.PlanAsync(workspace, cancel);
        pack = Fingerprint.Of([.. plan.Pack.Files.Select(f => $"{f.Path} {f.Key.Hex}")]).Hex;
        return outcome is { IsDone: true } ? (pack, "") : (place.Pack, outcome is null ? "a delivery" : $"{outcome.Plan.Conflicts.Length} files in the place that somebody changed: {outcome.Plan.Conflicts[0].Path}");
    }
}
