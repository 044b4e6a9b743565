using Kalypto.Application.Editing;
using Kalypto.Application.Opening;
using Kalypto.Core.Designs;
using Kalypto.Core.Platforms;

namespace Kalypto.Web.Models;

/// <summary>Names before and after, with what the platforms make of them and what would go wrong.</summary>
public sealed record RenamePreview(IReadOnlyList<RenameRow> Rows, string? Mistake, int Changed, int Problems)
{
    /// <summary>Puts it together.</summary>
    public static async Task<RenamePreview> OfAsync(RenameLayers rename, Workspace workspace, IReadOnlyDictionary<LayerRef, string> names, string? mistake, CancellationToken cancel)
    {
        var (changed, plan) = await rename.PreviewAsync(workspace, names, cancel);
        var blockers = plan.Pack.Blockers.ToLookup(f => f.Layer);
        var rows = names.Select(n =>
        {
            var (_, state, layer) = changed.FindLayer(n.Key.Design, n.Key.Ordinal)!.Value;
            var picture = plan.Planner.PictureOf(state, layer);
            return new RenameRow(n.Key.Ordinal, workspace.MarkOf(n.Key).NameOf(layer), n.Value, string.Join("  ", changed.Platforms.Select(p => p.NameOf(picture)).Distinct()),
                blockers[n.Key].FirstOrDefault()?.Sentence ?? (n.Value.Length == 0 ? "Nothing would be left of the name." : null));
        }).ToList();
        return new(rows, mistake, rows.Count(r => r.Before != r.After), rows.Count(r => r.Problem is not null));
    }
}
