using System.Collections.Concurrent;
using Kalypto.Core.Deciding;
using Kalypto.Core.Packing;
using Kalypto.Core.Planning;
using Kalypto.Core.Platforms;
using Kalypto.Core.Tagging;
using Kalypto.Store;
using Kalypto.Web.Desk;

namespace Kalypto.Web.UseCases;

/// <summary>Loads a project and plans its pack.</summary>
public sealed class OpenProject(ProjectStore projects, DesignStore designs, EditStore edits, DrawingCache cache, DrawingDesk desk, ILogger<OpenProject> log)
{
    private const int MostBooks = 200;

    // The same text gives the same book, which remembers what it worked out.
    private static readonly ConcurrentDictionary<string, RecipeBook> Recipes = new(StringComparer.Ordinal);

    // How often drawing ahead was asked for, by project.
    private readonly ConcurrentDictionary<int, long> newest = new();

    /// <summary>Loads a project; null when there is none of that number.</summary>
    public async Task<Workspace?> LoadAsync(int id, CancellationToken cancel)
    {
        if (await projects.FindAsync(id, cancel) is not { } row)
        {
            return null;
        }
        var said = new List<(DesignRow, IReadOnlyDictionary<int, Mark>)>();
        foreach (var design in await designs.ListAsync(id, cancel))
        {
            said.Add((design, await edits.MarksAsync(design.DraftId, cancel)));
        }
        return await LoadAsync(new ProjectState(row, said), cancel);
    }

    /// <summary>Loads a project as it was at some moment.</summary>
    public async Task<Workspace> LoadAsync(ProjectState state, CancellationToken cancel)
    {
        var row = state.Project;
        var drawings = new List<(DesignRow Row, MeasuredDrawing Drawing, IReadOnlyDictionary<int, Mark> Marks)>();
        foreach (var (design, said) in state.Designs)
        {
            drawings.Add((design, await cache.GetAsync(design.DraftId, design.Arrangement, cancel), said));
        }
        var repeats = cache.RepeatsOf(row.Id, [.. drawings.Select(d => (d.Row.Id, d.Drawing))]);
        var marks = repeats.Shared(drawings.ToDictionary(d => d.Row.Id, d => d.Marks));
        var recipes = Recipes.GetOrAdd(row.Recipes, RecipeBookJson.Read);
        return new(
            row, [.. drawings.Select(d => (d.Row, new DesignState(d.Row.Id, d.Row.Name, d.Row.DrawnAt, d.Drawing, marks[d.Row.Id]) { Recipes = recipes }))],
            [.. AllPlatforms.List.Where(p => row.Platforms.Contains(p.Id))], repeats);
    }

    /// <summary>Plans the pack, with all that is known of it by now.</summary>
    public async Task<PlannedPack> PlanAsync(Workspace workspace, CancellationToken cancel)
    {
        if (Recipes.Count > MostBooks)
        {
            Recipes.Clear();
        }
        var shipped = workspace.States.SelectMany(d => d.Marks.Where(m => m.Value.Decision == Decision.Ship && m.Key < d.Layers.Length)
            .SelectMany(m => d.SaidOf(d.Layers[m.Key]).Tags.Parts == true ? d.Layers[m.Key].Children : [d.Layers[m.Key]]).Select(l => d.Isolate(l).Key));
        var looks = await desk.LooksAsync([.. shipped], cancel);
        var planner = new PackPlanner(desk.Paths, looks, desk.StandInFor) { Weight = desk.WeightOf };
        var pack = planner.Plan(workspace.States, workspace.Platforms);
        return new(pack, planner, await desk.DrawnAsync(pack.Files.Select(f => f.Key.Hex), cancel), looks);
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

    /// <summary>The same in the background: whoever edits does not wait for it.</summary>
    public void DrawAheadSoon(Workspace workspace, PlannedPack plan)
    {
        var mine = newest.AddOrUpdate(workspace.Row.Id, 1, (_, last) => last + 1);
        _ = Task.Run(() => DrawAheadIfNewestAsync(workspace, plan, mine));
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
            await DrawAheadAsync(workspace, plan, DrawingQueue.Ahead, default);
        }
        catch (Npgsql.NpgsqlException e)
        {
            log.LogWarning(e, "Drawing ahead was not queued; the next look at the page queues it");
        }
    }
}
