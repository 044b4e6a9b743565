using System.Text.Json;
using Kalypto.Application.Opening;
using Kalypto.Application.Packs;
using Kalypto.Core.Comparing;
using Kalypto.Core.Packing;
using Kalypto.Store;

namespace Kalypto.Application.Building;

/// <summary>Files that the next delivery puts into another folder than the newest one did.</summary>
public sealed class MovedFiles(BuildStore builds)
{
    /// <summary>The files, in the order of the pack; none while nothing was delivered.</summary>
    /// <param name="workspace">The project.</param>
    /// <param name="plan">Its pack.</param>
    /// <param name="cancel">Ends the wait.</param>
    public async Task<IReadOnlyList<(PlannedFile File, FileChange Change)>> FindAsync(Workspace workspace, PlannedPack plan, CancellationToken cancel)
    {
        var files = FilesToCome.Of(workspace, plan).ToList();
        var deliveries = await builds.DeliveriesAsync(workspace.Row.Id, cancel);
        var moved = new Dictionary<string, FileChange>(StringComparer.Ordinal);
        // Some screens or layers say nothing of the rest of a platform.
        BuildRow? NewestOf(string platform) => deliveries.Find(d => JsonSerializer.Deserialize<BuildAsk>(d.Asked) is { } ask && (ask == new BuildAsk() || ask == new BuildAsk(platform)));
        // Most platforms came last with the same delivery, whose files are read once.
        foreach (var part in files.GroupBy(f => f.Platform).Select(p => (Platform: p.Key, Newest: NewestOf(p.Key))).Where(p => p.Newest is not null).GroupBy(p => p.Newest!.Id, p => p.Platform))
        {
            var platforms = part.ToHashSet();
            var before = (await builds.FilesAsync(part.Key, cancel)).Where(f => f.Kind.Length > 0 && platforms.Contains(f.Platform)).ToList();
            foreach (var change in DeliveryChanges.Of(before, [.. files.Where(f => platforms.Contains(f.Platform))]).Files.Where(c => c.IsMoved))
            {
                moved[change.New!.Path] = change;
            }
        }
        return [.. plan.Pack.Files.Where(f => moved.ContainsKey(f.Path)).Select(f => (f, moved[f.Path]))];
    }
}
