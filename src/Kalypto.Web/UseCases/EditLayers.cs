using Kalypto.Core.Deciding;
using Kalypto.Core.Tagging;
using Kalypto.Store;

namespace Kalypto.Web.UseCases;

/// <summary>Decides, names and tags layers.</summary>
public sealed class EditLayers(EditStore edits)
{
    private const int LongestName = 200;

    /// <summary>Decides on layers.</summary>
    public Task DecideAsync(int project, IReadOnlyList<LayerKey> layers, Decision decision, CancellationToken cancel) =>
        edits.EditAsync(project, $"{decision} {Layers(layers)}", layers, (_, mark) => mark with { Decision = decision }, cancel);

    /// <summary>Names a layer; an empty name goes back to that of the drawing.</summary>
    public Task NameAsync(int project, LayerKey layer, string name, CancellationToken cancel)
    {
        name = name.Replace("\0", "", StringComparison.Ordinal).Trim();
        name = name.Length > LongestName ? name[..LongestName] : name;
        return edits.EditAsync(project, name.Length == 0 ? "Name as in the drawing" : $"Name {name}", [layer],
            (_, mark) => mark with { ShipName = name.Length == 0 ? null : name }, cancel);
    }

    /// <summary>Applies a line of tags.</summary>
    /// <returns>What was not understood; when there is any, nothing was changed.</returns>
    public async Task<IReadOnlyList<TagMistake>> TagAsync(int project, IReadOnlyList<LayerKey> layers, string text, CancellationToken cancel)
    {
        var line = TagLine.Parse(text);
        var label = $"Tag {Layers(layers)}: {text.Trim()}";
        if (line.Mistakes.IsEmpty && !line.IsEmpty)
        {
            await edits.EditAsync(project, label, layers, (_, mark) => mark with { Tags = line.ApplyTo(mark.Tags) }, cancel);
        }
        return line.Mistakes;
    }

    private static string Layers(IReadOnlyList<LayerKey> layers) => layers.Count == 1 ? "1 layer" : $"{layers.Count} layers";
}
