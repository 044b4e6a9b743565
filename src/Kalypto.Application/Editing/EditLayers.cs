using Kalypto.Application.Opening;
using Kalypto.Core.Checking;
using Kalypto.Core.Deciding;
using Kalypto.Core.Designs;
using Kalypto.Core.Naming;
using Kalypto.Core.Suggesting;
using Kalypto.Core.Tagging;
using Kalypto.Store;

namespace Kalypto.Application.Editing;

/// <summary>Decides, names and tags layers. What is said of one place of a repeat is said of all; a name of those that are called alike.</summary>
public sealed class EditLayers(EditStore edits)
{
    private const int LongestName = 200;

    /// <summary>Changes the marks of layers and of the places that share them, as one step of the history.</summary>
    public Task<StepDone> ChangeAsync(Visit visit, string label, IReadOnlyDictionary<LayerRef, Func<Mark, Mark>> changes, CancellationToken cancel)
    {
        var workspace = visit.Workspace;
        var spread = new Dictionary<LayerRef, Func<Mark, Mark>>();
        foreach (var (layer, change) in changes)
        {
            foreach (var place in workspace.Repeats.SharedWith(layer, workspace.MarkOf))
            {
                spread[place] = workspace.Repeats.AreCalledAlike(layer, place) ? change : mark => change(mark) with { ShipName = mark.ShipName };
            }
            spread[layer] = change;
        }
        var byKey = spread.ToDictionary(c => workspace.KeyOf(c.Key), c => (Change: c.Value, Present: workspace.MarkOf(c.Key)));
        return edits.MakeAsync(visit.Author, new(label) { Layers = byKey.Keys, Say = (key, mark) => byKey[key].Change(mark ?? byKey[key].Present) }, cancel);
    }

    /// <summary>The same change for every layer.</summary>
    public Task<StepDone> ChangeAsync(Visit visit, string label, IEnumerable<LayerRef> layers, Func<Mark, Mark> change, CancellationToken cancel) =>
        ChangeAsync(visit, label, layers.Distinct().ToDictionary(l => l, _ => change), cancel);

    /// <summary>Decides on layers.</summary>
    public Task<StepDone> DecideAsync(Visit visit, IReadOnlyList<LayerRef> layers, Decision decision, CancellationToken cancel) =>
        ChangeAsync(visit, $"{decision} {Layers(visit.Workspace, layers)}", layers, mark => mark with { Decision = decision }, cancel);

    /// <summary>Names a layer; an empty name goes back to that of the drawing.</summary>
    public Task<StepDone> NameAsync(Visit visit, LayerRef layer, string name, CancellationToken cancel)
    {
        name = Clean(name);
        return ChangeAsync(visit, name.Length == 0 ? "Name as in the drawing" : $"Name {name}", [layer], mark => mark with { ShipName = name.Length == 0 ? null : name }, cancel);
    }

    /// <summary>Names many layers.</summary>
    public Task<StepDone> NameAllAsync(Visit visit, IReadOnlyDictionary<LayerRef, string> names, CancellationToken cancel) => ChangeAsync(
        visit, $"Rename {Layers(visit.Workspace, [.. names.Keys])}",
        names.ToDictionary(n => n.Key, n => (Func<Mark, Mark>)(mark => mark with { ShipName = Clean(n.Value) is { Length: > 0 } name ? name : null })), cancel);

    /// <summary>Applies a line of tags.</summary>
    /// <returns>What became of it, and what was not understood; when there is any of that, nothing was changed.</returns>
    public async Task<(StepDone Done, IReadOnlyList<TagMistake> Mistakes)> TagAsync(Visit visit, IReadOnlyList<LayerRef> layers, string text, CancellationToken cancel)
    {
        var line = TagLine.Parse(text, visit.Workspace.Recipes.OwnKinds);
        var label = $"Tag {Layers(visit.Workspace, layers)}: {text.Trim()}";
        return (!line.Mistakes.IsEmpty || line.IsEmpty ? new(StepState.Nothing)
            : await ChangeAsync(visit, label, layers, mark => mark with { Tags = line.ApplyTo(mark.Tags) }, cancel), line.Mistakes);
    }

    /// <summary>Refuses for good what layers were taken for, or lets it be suggested again. Loose layers that were taken for one thing are refused together.</summary>
    public Task<StepDone> DismissAsync(Visit visit, IReadOnlyList<LayerRef> layers, bool dismissed, CancellationToken cancel)
    {
        var wanted = layers.ToHashSet();
        var together = layers.Select(l => l.Design).Distinct().SelectMany(design => visit.Workspace.FindDesign(design)!.Value.State.Suggested()
            .Where(s => wanted.Contains(new(design, s.Layer.Ordinal))).SelectMany(s => s.Together).Select(l => new LayerRef(design, l.Ordinal)));
        return ChangeAsync(visit, $"{(dismissed ? "Refuse the suggestion for" : "Suggest again for")} {Layers(visit.Workspace, layers)}",
            layers.Concat(together), mark => mark with { Dismissed = dismissed }, cancel);
    }

    /// <summary>Takes places of a repeat apart, or lets them share again; then what is said of the others holds for them too.</summary>
    public Task<StepDone> StandApartAsync(Visit visit, IReadOnlyList<LayerRef> layers, bool apart, CancellationToken cancel)
    {
        var workspace = visit.Workspace;
        var marks = layers.ToDictionary(workspace.KeyOf, layer => apart ? workspace.MarkOf(layer)
            : workspace.Repeats.PlacesOf(layer).Select(workspace.MarkOf).FirstOrDefault(m => !m.Apart) ?? workspace.MarkOf(layer));
        return edits.MakeAsync(visit.Author, new($"{(apart ? "Take apart from its repeats" : "Share with its repeats")}: {Layers(workspace, layers)}")
        {
            Layers = marks.Keys,
            Say = (key, _) => marks[key] with { Apart = apart },
        }, cancel);
    }

    /// <summary>Applies the fixes of findings that are edits of one layer.</summary>
    public Task<StepDone> FixAsync(Visit visit, string label, IReadOnlyList<Finding> findings, CancellationToken cancel) => ChangeAsync(
        visit, label, findings.DistinctBy(f => f.Layer).ToDictionary(f => f.Layer, f => (Func<Mark, Mark>)f.Fix!.ApplyTo), cancel);

    private static string Clean(string name) => PlainText.Clean(name, LongestName);

    /// <summary>Layers in words: the name of one, the number of many.</summary>
    internal static string Layers(Workspace workspace, IReadOnlyList<LayerRef> layers) => layers.Count == 1 && workspace.FindLayer(layers[0].Design, layers[0].Ordinal) is var (_, state, layer)
        ? state.OwnNameOf(layer) ?? "1 layer" : $"{layers.Count} layers";
}
