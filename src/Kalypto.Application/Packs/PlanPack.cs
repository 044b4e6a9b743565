using System.Collections.Concurrent;
using System.Runtime.CompilerServices;
using Kalypto.Application.Asking;
using Kalypto.Application.Desk;
using Kalypto.Application.Opening;
using Kalypto.Core.Checking;
using Kalypto.Core.Deciding;
using Kalypto.Core.Packing;
using Kalypto.Core.Planning;
using Kalypto.Core.Tokens;
using Kalypto.Store;
using Microsoft.Extensions.Logging;

namespace Kalypto.Application.Packs;

/// <summary>Plans the pack of a project, and has it drawn ahead.</summary>
public sealed class PlanPack(DrawingDesk desk, OpenQuestions questions, ILogger<PlanPack> log)
{
    // Should news of other processes be missed, what is not drawn yet is looked for again after so many ms.
    private const int AgainAfter = 5000;

    // How often drawing ahead was asked for, by project.
    private readonly ConcurrentDictionary<int, long> newest = new();

    private readonly ConditionalWeakTable<Workspace, Known> known = [];

    // Plans of which nothing is left to draw.
    private readonly ConditionalWeakTable<PlannedPack, object> settled = [];

    private sealed record Known(long Version, long At, PlannedPack Plan);

    /// <summary>Plans the pack, with all that is known of it by now. While nothing more is known, it is the same plan.</summary>
    public async Task<PlannedPack> PlanAsync(Workspace workspace, CancellationToken cancel)
    {
        var (version, now) = (desk.Version, Environment.TickCount64);
        if (known.TryGetValue(workspace, out var last) && last.Version == version && last.Plan.IsSeen && (last.Plan.IsWhole || now - last.At < AgainAfter))
        {
            return last.Plan;
        }
        var plan = await WorkAsync(workspace, cancel);
        known.AddOrUpdate(workspace, new(version, now, plan));
        return plan;
    }

    /// <summary>
    /// Queues everything of the pack that is not drawn yet: looks first, then files as their crops become known. Of what is drawn
    /// ahead, all that an edit made needless is forgotten.
    /// </summary>
    /// <returns>True when nothing is left to draw.</returns>
    public async Task<bool> DrawAheadAsync(Workspace workspace, PlannedPack plan, int priority, CancellationToken cancel, Func<PlannedFile, bool>? part = null)
    {
        var jobs = new Jobs(workspace, desk);
        var pictures = part is null ? null : plan.Pack.Files.Where(part).Select(f => f.Picture.Ref).ToHashSet();
        var looks = plan.Pack.Pictures.Where(p => p.CropIsGuess && (pictures is null || pictures.Contains(p.Ref))).Select(jobs.Look).ToList();
        var files = plan.Pack.Files.Where(f => !f.Picture.CropIsGuess && part?.Invoke(f) != false && !plan.Drawn.ContainsKey(f.Key.Hex)).Select(jobs.File).ToList();
        if (priority == DrawingQueue.Ahead && part is null)
        {
            await desk.KeepAheadAsync([.. workspace.Designs.Select(d => d.Row.DraftId)], [.. looks.Concat(files).Select(j => j.Key)], cancel);
        }
        await desk.QueueLooksAsync(looks, priority, cancel);
        await desk.QueueAsync(files, priority + 1, cancel);
        return looks.Count == 0 && files.Count == 0;
    }

    /// <summary>Draws again what could not be drawn.</summary>
    /// <returns>How many pictures that are.</returns>
    public async Task<int> DrawAgainAsync(Workspace workspace, CancellationToken cancel)
    {
        var plan = await PlanAsync(workspace, cancel);
        List<string> failed = [.. plan.Pack.Files.Select(f => f.Key.Hex).Where(k => plan.Drawn.TryGetValue(k, out var row) && row.Failure is not null),
            .. plan.Pack.Pictures.Where(p => plan.Looks(p.Key)?.Failure is not null).Select(p => desk.LookKey(p.Key))];
        await desk.ForgetFailuresAsync(failed, onlyPassing: false, cancel);
        await DrawAheadAsync(workspace, await PlanAsync(workspace, cancel), DrawingQueue.Looked, cancel);
        return failed.Count;
    }

    /// <summary>The same in the background: whoever edits does not wait for it.</summary>
    public void DrawAheadSoon(Workspace workspace, PlannedPack plan)
    {
        if (settled.TryGetValue(plan, out _))
        {
            return;
        }
        var mine = newest.AddOrUpdate(workspace.Row.Id, 1, (_, last) => last + 1);
        _ = Task.Run(() => DrawAheadIfNewestAsync(workspace, plan, mine));
    }

    /// <summary>Draws before the rest what somebody looks at.</summary>
    /// <param name="workspace">The project.</param>
    /// <param name="keys">The keys of the files.</param>
    /// <param name="cancel">Ends the wait.</param>
    public async Task LookAtAsync(Workspace workspace, IReadOnlySet<string> keys, CancellationToken cancel) =>
        await LookAtAsync(workspace, (await PlanAsync(workspace, cancel)).Pack.Files.Where(f => keys.Contains(f.Key.Hex)), DrawingQueue.Looked, cancel);

    /// <summary>Draws before the rest what somebody looks at.</summary>
    public async Task LookAtAsync(Workspace workspace, IEnumerable<PlannedFile> looked, int urgency, CancellationToken cancel)
    {
        var jobs = new Jobs(workspace, desk);
        var files = looked.ToLookup(f => f.Picture.CropIsGuess);
        await desk.QueueLooksAsync([.. files[true].Select(f => f.Picture).DistinctBy(p => p.Ref).Select(jobs.Look)], urgency, cancel);
        await desk.QueueAsync([.. files[false].Select(jobs.File)], DrawingQueue.Looked, cancel);
    }

    private async Task<PlannedPack> WorkAsync(Workspace workspace, CancellationToken cancel)
    {
        var keys = desk.Keys;
        var shipped = workspace.States.SelectMany(d => d.Marks.Where(m => m.Value.Decision == Decision.Ship && m.Key < d.Layers.Length)
            .SelectMany(m => d.SaidOf(d.Layers[m.Key]).Tags.Parts == true ? d.Layers[m.Key].Children : [d.Layers[m.Key]]).Select(l => keys.Of(d.Isolate(l))));
        var looks = await desk.LooksAsync([.. shipped], cancel);
        var planner = new PackPlanner(desk.Paths, looks, desk.StandInFor, keys) { Project = workspace.Row.Name, Weight = desk.WeightOf, CheckBook = CheckBook.Read(workspace.Row.Checks), Tokens = TokensSaid.Read(workspace.Row.Tokens), Questions = await questions.OfAsync(workspace, cancel) };
        var pack = planner.Plan(workspace.States, workspace.Platforms);
        return new(pack, planner, await desk.DrawnAsync(pack.Files.Select(f => f.Key.Hex), cancel), looks);
    }

    private async Task DrawAheadIfNewestAsync(Workspace workspace, PlannedPack plan, long mine)
    {
        // What was planned since knows better.
        if (newest[workspace.Row.Id] != mine)
        {
            return;
        }
        try
        {
            if (await DrawAheadAsync(workspace, plan, DrawingQueue.Ahead, default))
            {
                settled.AddOrUpdate(plan, plan);
            }
        }
        catch (Npgsql.NpgsqlException e)
        {
            log.LogWarning(e, "Drawing ahead was not queued; the next look at the page queues it");
        }
    }
}
