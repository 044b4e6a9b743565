using Kalypto.Core.Packing;
using Kalypto.Core.Platforms;
using Kalypto.Store;
using Kalypto.Web.Desk;

namespace Kalypto.Web.UseCases;

/// <summary>Loads a project and plans its pack.</summary>
public sealed class OpenProject(ProjectStore projects, DesignStore designs, EditStore edits, DrawingCache cache, DrawingDesk desk)
{
    /// <summary>Loads a project; null when there is none of that number.</summary>
    public async Task<Workspace?> LoadAsync(int id, CancellationToken cancel)
    {
        if (await projects.FindAsync(id, cancel) is not { } row)
        {
            return null;
        }
        var states = new List<(DesignRow, DesignState)>();
        foreach (var design in await designs.ListAsync(id, cancel))
        {
            var measured = await cache.GetAsync(design.DraftId, cancel);
            states.Add((design, new(design.Id, design.Name, design.DrawnAt, measured, await edits.MarksAsync(design.DraftId, cancel))));
        }
        return new(row, states, [.. AllPlatforms.List.Where(p => row.Platforms.Contains(p.Id))]);
    }

    /// <summary>Plans the pack, with all that is known of it by now.</summary>
    public async Task<PlannedPack> PlanAsync(Workspace workspace, CancellationToken cancel)
    {
        var shipped = workspace.States.SelectMany(d => d.Marks.Where(m => m.Value.Decision == Core.Deciding.Decision.Ship)
            .Select(m => d.Isolate(d.Measured.Drawing.Layers[m.Key]).Key));
        var planner = new PackPlanner(desk.Engine, await desk.LooksAsync([.. shipped], cancel));
        var pack = planner.Plan(workspace.States, workspace.Platforms);
        return new(pack, planner, await desk.DrawnAsync(pack.Files.Select(f => f.Key.Hex), cancel));
    }

    /// <summary>Queues everything of the pack that is not drawn yet: looks first, then files as their crops become known.</summary>
    /// <returns>True when nothing is left to draw.</returns>
    public async Task<bool> DrawAheadAsync(Workspace workspace, PlannedPack plan, int priority, CancellationToken cancel)
    {
        var jobs = new Jobs(workspace, desk);
        var looks = plan.Pack.Pictures.Where(p => p.CropIsGuess).Select(jobs.Look).ToList();
        var files = plan.Pack.Files.Where(f => !f.Picture.CropIsGuess && !plan.Drawn.ContainsKey(f.Key.Hex)).Select(jobs.File).ToList();
        await desk.QueueAsync(looks, priority, cancel);
        await desk.QueueAsync(files, priority + 1, cancel);
        return looks.Count == 0 && files.Count == 0;
    }
}
