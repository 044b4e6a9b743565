using Kalypto.Core.Arranging;
using Kalypto.Core.Deciding;
using Kalypto.Core.Suggesting;
using Kalypto.Core.Tagging;
using Kalypto.Store;

namespace Kalypto.Web.UseCases;

/// <summary>Puts layers together, takes them apart, and makes screens of a drawing, without changing it.</summary>
public sealed class ArrangeLayers(EditStore edits)
{
    /// <summary>Puts layers of one design together into one and says of it what is given.</summary>
    /// <returns>The ordinal of the new layer.</returns>
    /// <exception cref="ArrangingRefusedException">They cannot be put together.</exception>
    public async Task<int> CombineAsync(Workspace workspace, string who, int design, IReadOnlyCollection<int> layers, Mark mark, CancellationToken cancel)
    {
        var (row, state) = workspace.FindDesign(design)!.Value;
        var (_, ordinal) = Arranger.Combine(state.Measured.Drawn, Arrangement.Parse(row.Arrangement), layers, "combination");
        await edits.EditAsync(new(workspace.Row.Id, who), $"Combine {layers.Count} layers", [new(row.DraftId, ordinal)], (_, _) => mark, cancel,
            new(design, present => Arranger.Combine(state.Measured.Drawn, present, layers, "combination") is var (arrangement, made) && made == ordinal ? arrangement
                : throw new ArrangingRefusedException("Somebody else put layers together at the same moment. Try again.")));
        return ordinal;
    }

    /// <summary>Takes layers apart that were put together.</summary>
    public Task TakeApartAsync(Workspace workspace, string who, int design, IReadOnlyCollection<int> layers, CancellationToken cancel)
    {
        var (row, state) = workspace.FindDesign(design)!.Value;
        var gone = layers.Where(o => o >= state.Measured.Drawn.Layers.Length).ToList();
        return edits.EditAsync(new(workspace.Row.Id, who), $"Take {(gone.Count == 1 ? "a combination" : $"{gone.Count} combinations")} apart",
            [.. gone.Select(o => new LayerKey(row.DraftId, o))], (_, _) => Mark.None, cancel,
            new(design, present => Arranger.TakeApart(state.Measured.Drawn, present, gone)));
    }

    /// <summary>Accepts suggestions: loose layers are put together first, then all of them ship as what they look like.</summary>
    public async Task AcceptAsync(Workspace workspace, string who, int design, IReadOnlyList<Suggestion> suggestions, CancellationToken cancel)
    {
        var (row, state) = workspace.FindDesign(design)!.Value;
        var drawn = state.Measured.Drawn;
        var loose = suggestions.Where(s => !s.Together.IsEmpty).ToList();
        var first = drawn.Layers.Length + Arrangement.Parse(row.Arrangement).Made.Length;
        var changes = new Dictionary<LayerKey, (Mark Present, string Kind)>();
        foreach (var suggestion in suggestions.Where(s => s.Together.IsEmpty))
        {
            foreach (var place in workspace.WithRepeats([new(design, suggestion.Layer.Ordinal)]))
            {
                changes[workspace.KeyOf(place)] = (workspace.MarkOf(place), suggestion.Kind);
            }
        }
        for (var i = 0; i < loose.Count; i++)
        {
            changes[new(row.DraftId, first + i)] = (Mark.None, loose[i].Kind);
        }
        await edits.EditAsync(new(workspace.Row.Id, who), $"Ship what looks like {(suggestions.Count == 1 ? suggestions[0].Kind : $"it: {suggestions.Count} layers")}", [.. changes.Keys],
            (key, mark) => (mark ?? changes[key].Present) is var present && present.Tags.Kind is null
                ? present with { Decision = Decision.Ship, Tags = TagLine.Parse(changes[key].Kind).ApplyTo(present.Tags) } : present with { Decision = Decision.Ship },
            cancel, loose.Count == 0 ? null : new(design, present => present.Made.Length + drawn.Layers.Length != first
                ? throw new ArrangingRefusedException("Somebody else put layers together at the same moment. Try again.")
                : loose.Aggregate(present, (arrangement, s) => Arranger.Combine(drawn, arrangement, [.. s.Together.Select(l => l.Ordinal)], "combination").Arrangement)));
    }

    /// <summary>Changes the screens of a design.</summary>
    /// <exception cref="ArrangingRefusedException">They cannot be changed so.</exception>
    public Task ScreensAsync(Workspace workspace, string who, int design, string label, Func<ScreenEdits, Arrangement> change, CancellationToken cancel)
    {
        var drawn = workspace.FindDesign(design)!.Value.State.Measured.Drawn;
        return edits.ArrangeAsync(new(workspace.Row.Id, who), label, new(design, present => change(new(drawn, present))), cancel);
    }
}
