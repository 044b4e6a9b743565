using Kalypto.Core.Checking;
using Kalypto.Core.Deciding;
using Kalypto.Core.Designs;
using Kalypto.Core.Tagging;
using Kalypto.Store;

namespace Kalypto.Web.UseCases;

/// <summary>Decides, names and tags layers. What is said of one place of a repeat is said of all.</summary>
public sealed class EditLayers(EditStore edits)
{
    private const int LongestName = 200;

    /// <summary>Changes the marks of layers and of the places that share them, as one step of the history.</summary>
    public Task ChangeAsync(
        Workspace workspace, string who, string label, IReadOnlyDictionary<LayerRef, Func<Mark, Mark>> changes, CancellationToken cancel, ArrangementEdit? arranging = null)
    {
        var spread = new Dictionary<LayerRef, Func<Mark, Mark>>();
        foreach (var (layer, change) in changes)
        {
            foreach (var place in workspace.Repeats.SharedWith(layer, workspace.MarkOf))
            {
                spread[place] = change;
            }
            spread[layer] = change;
        }
        var byKey = spread.ToDictionary(c => workspace.KeyOf(c.Key), c => (Change: c.Value, Present: workspace.MarkOf(c.Key)));
        return edits.EditAsync(new(workspace.Row.Id, who), label, [.. byKey.Keys], (key, mark) => byKey[key].Change(mark ?? byKey[key].Present), cancel, arranging);
    }

    /// <summary>The same change for every layer.</summary>
    public Task ChangeAsync(Workspace workspace, string who, string label, IEnumerable<LayerRef> layers, Func<Mark, Mark> change, CancellationToken cancel) =>
        ChangeAsync(workspace, who, label, layers.Distinct().ToDictionary(l => l, _ => change), cancel);

    /// <summary>Decides on layers.</summary>
    public Task DecideAsync(Workspace workspace, string who, IReadOnlyList<LayerRef> layers, Decision decision, CancellationToken cancel) =>
        ChangeAsync(workspace, who, $"{decision} {Layers(workspace, layers)}", layers, mark => mark with { Decision = decision }, cancel);

    /// <summary>Names a layer; an empty name goes back to that of the drawing.</summary>
    public Task NameAsync(Workspace workspace, string who, LayerRef layer, string name, CancellationToken cancel)
    {
        name = Clean(name);
        return ChangeAsync(workspace, who, name.Length == 0 ? "Name as in the drawing" : $"Name {name}", [layer],
            mark => mark with { ShipName = name.Length == 0 ? null : name }, cancel);
    }

    /// <summary>Names many layers.</summary>
    public Task NameAllAsync(Workspace workspace, string who, IReadOnlyDictionary<LayerRef, string> names, CancellationToken cancel) => ChangeAsync(
        workspace, who, $"Rename {Layers(workspace, [.. names.Keys])}",
        names.ToDictionary(n => n.Key, n => (Func<Mark, Mark>)(mark => mark with { ShipName = Clean(n.Value) is { Length: > 0 } name ? name : null })), cancel);

    /// <summary>Applies a line of tags.</summary>
    /// <returns>What was not understood; when there is any, nothing was changed.</returns>
    public async Task<IReadOnlyList<TagMistake>> TagAsync(Workspace workspace, string who, IReadOnlyList<LayerRef> layers, string text, CancellationToken cancel)
    {
        var line = TagLine.Parse(text, workspace.Recipes.OwnKinds);
        if (line.Mistakes.IsEmpty && !line.IsEmpty)
        {
            var label = $"Tag {Layers(workspace, layers)}: {text.Trim()}";
            await ChangeAsync(workspace, who, label, layers, mark => mark with { Tags = line.ApplyTo(mark.Tags) }, cancel);
        }
        return line.Mistakes;
    }

    /// <summary>Takes places of a repeat apart, or lets them share again; then what is said of the others holds for them too.</summary>
    public Task StandApartAsync(Workspace workspace, string who, IReadOnlyList<LayerRef> layers, bool apart, CancellationToken cancel)
    {
        var marks = layers.ToDictionary(workspace.KeyOf, layer => apart ? workspace.MarkOf(layer)
            : workspace.Repeats.PlacesOf(layer).Select(workspace.MarkOf).FirstOrDefault(m => !m.Apart) ?? workspace.MarkOf(layer));
        return edits.EditAsync(new(workspace.Row.Id, who), $"{(apart ? "Take apart from its repeats" : "Share with its repeats")}: {Layers(workspace, layers)}",
            [.. marks.Keys], (key, _) => marks[key] with { Apart = apart }, cancel);
    }

    /// <summary>Applies the fixes of findings that are edits of one layer.</summary>
    public Task FixAsync(Workspace workspace, string who, string label, IReadOnlyList<Finding> findings, CancellationToken cancel) => ChangeAsync(
        workspace, who, label, findings.DistinctBy(f => f.Layer).ToDictionary(f => f.Layer, f => (Func<Mark, Mark>)f.Fix!.ApplyTo), cancel);

    private static string Clean(string name)
    {
        name = name.Replace("\0", "", StringComparison.Ordinal).Trim();
        return name.Length > LongestName ? name[..LongestName] : name;
    }

    /// <summary>Layers in words: the name of one, the number of many.</summary>
    internal static string Layers(Workspace workspace, IReadOnlyList<LayerRef> layers) => layers.Count == 1 && workspace.FindLayer(layers[0].Design, layers[0].Ordinal) is var (_, state, layer)
        ? state.OwnNameOf(layer) ?? "1 layer" : $"{layers.Count} layers";
}
