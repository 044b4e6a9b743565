using Kalypto.Core.Designs;
using Kalypto.Core.Platforms;
using Kalypto.Web.UseCases;

namespace Kalypto.Web.Models;

/// <summary>Names before and after, with what the platforms make of them and what would go wrong.</summary>
public sealed record RenamePreview(IReadOnlyList<RenameRow> Rows, string? Mistake, int Changed, int Problems)
{
    /// <summary>Puts it together.</summary>
    public static async Task<RenamePreview> OfAsync(OpenProject open, Workspace workspace, IReadOnlyDictionary<LayerRef, string> names, string? mistake, CancellationToken cancel)
    {
        var changed = workspace.With(names.Where(n => n.Value.Length > 0).SelectMany(n => workspace.Repeats.SharedWith(n.Key, workspace.MarkOf).Select(place => (place, n.Value)))
            .DistinctBy(n => n.place).ToDictionary(n => n.place, n => workspace.MarkOf(n.place) with { ShipName = n.Value }));
        var plan = await open.PlanAsync(changed, cancel);
        var blockers = plan.Pack.Blockers.ToLookup(f => f.Layer);
        var rows = names.Select(n =>
        {
            var (_, state, layer) = changed.FindLayer(n.Key.Design, n.Key.Ordinal)!.Value;
            var before = workspace.MarkOf(n.Key) is { ShipName: { } typed } ? typed : layer.Name;
            var picture = plan.Planner.PictureOf(state, layer);
            return new RenameRow(n.Key.Ordinal, before, n.Value, string.Join("  ", changed.Platforms.Select(p => p.NameOf(picture)).Distinct()),
                blockers[n.Key].FirstOrDefault()?.Sentence ?? (n.Value.Length == 0 ? "Nothing would be left of the name." : null));
        }).ToList();
        return new(rows, mistake, rows.Count(r => r.Before != r.After), rows.Count(r => r.Problem is not null));
    }
}
