using Kalypto.Application.Opening;
using Kalypto.Application.Packs;
using Kalypto.Core.Deciding;
using Kalypto.Core.Designs;
using Kalypto.Core.Naming;
using Kalypto.Core.Platforms;
using Kalypto.Core.Suggesting;
using Kalypto.Core.Tagging;
using Kalypto.Store;

namespace Kalypto.Application.Editing;

/// <summary>Renames many layers by pattern, expression or from their content, and shows first what would come of it.</summary>
public sealed class RenameLayers(EditLayers edit, PlanPack plans)
{
    /// <summary>The new names of the layers meant, in the order of the drawing.</summary>
    public static IReadOnlyDictionary<LayerRef, string> Names(Workspace workspace, IReadOnlyList<LayerRef> layers, RenameWish wish)
    {
        var names = new Dictionary<LayerRef, string>();
        if (wish.Mistake is not null)
        {
            return names;
        }
        var taken = layers.Select(l => l.Design).Distinct().SelectMany(d => workspace.FindDesign(d)!.Value.State.Marks.Values)
            .Select(m => m.ShipName).OfType<string>().ToHashSet(StringComparer.OrdinalIgnoreCase);
        foreach (var layer in layers)
        {
            var (_, state, node) = workspace.FindLayer(layer.Design, layer.Ordinal)!.Value;
            // One drawing in several places that are called alike has one name: that of the first of them.
            if (workspace.Repeats.NamedWith(layer, workspace.MarkOf).FirstOrDefault(names.ContainsKey, layer) is var first && names.TryGetValue(first, out var shared))
            {
                names[layer] = shared;
                continue;
            }
            // Content gives names only to what has none.
            if (wish.Suggest && (state.MarkOf(node).ShipName is not null || !state.Measured.NotNamed[node.Ordinal]))
            {
                names[layer] = state.NameOf(node);
                continue;
            }
            var kind = state.MarkOf(node).Tags.Kind ?? state.Suggested().FirstOrDefault(s => s.Layer == node)?.Kind ?? Kinds.Of(node);
            var name = wish.Suggest ? FreeName.Of(workspace.Platforms.TakenByAll(NameSuggestions.Of(state, node, kind)), taken.Contains) : wish.Change.Apply(NameSuggestions.PartsOf(state, node, kind), names.Count);
            taken.Add(name);
            names[layer] = name;
        }
        return names;
    }

    /// <summary>Renames. Layers whose new name would be empty or is the old one keep theirs.</summary>
    /// <returns>What became of it, and how many layers have other names.</returns>
    public async Task<(StepDone Done, int Layers)> RunAsync(Visit visit, IReadOnlyList<LayerRef> layers, RenameWish wish, CancellationToken cancel)
    {
        var names = Names(visit.Workspace, layers, wish).Where(n => n.Value.Length > 0 && n.Value != NameOf(visit.Workspace, n.Key)).ToDictionary();
        return (names.Count == 0 ? new(StepState.Nothing) : await edit.NameAllAsync(visit, names, cancel), names.Count);
    }

    /// <summary>The project and its pack as they would be with other names.</summary>
    public async Task<(Workspace Changed, PlannedPack Plan)> PreviewAsync(Workspace workspace, IReadOnlyDictionary<LayerRef, string> names, CancellationToken cancel)
    {
        var changed = workspace.With(names.Where(n => n.Value.Length > 0).SelectMany(n => workspace.Repeats.NamedWith(n.Key, workspace.MarkOf).Select(place => (place, n.Value)))
            .DistinctBy(n => n.place).ToDictionary(n => n.place, n => workspace.MarkOf(n.place) with { ShipName = n.Value }));
        return (changed, await plans.PlanAsync(changed, cancel));
    }

    private static string? NameOf(Workspace workspace, LayerRef layer) => workspace.FindLayer(layer.Design, layer.Ordinal) is var (_, state, node) ? state.NameOf(node) : null;
}
