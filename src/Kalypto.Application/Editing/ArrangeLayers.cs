using Kalypto.Application.Opening;
using Kalypto.Core.Arranging;
using Kalypto.Core.Deciding;
using Kalypto.Core.Suggesting;
using Kalypto.Core.Tagging;
using Kalypto.Store;

namespace Kalypto.Application.Editing;

/// <summary>Puts layers together and takes them apart, without changing the drawing.</summary>
public sealed class ArrangeLayers(EditStore edits)
{
    private const string AtTheSameMoment = "Somebody else put layers together at the same moment. Try again.";

    /// <summary>Puts layers of one design together into one and says of it what is given.</summary>
    /// <returns>What became of it, and the ordinal of the new layer.</returns>
    /// <exception cref="ArrangingRefusedException">They cannot be put together.</exception>
    public async Task<(StepDone Done, int Made)> CombineAsync(Visit visit, int design, IReadOnlyCollection<int> layers, Mark mark, CancellationToken cancel)
    {
        var (row, state) = visit.Workspace.FindDesign(design)!.Value;
        var (_, ordinal) = Arranger.Combine(state.Measured.Drawn, Arrangement.Parse(row.Arrangement), layers, "combination");
        return (await edits.MakeAsync(visit.Author, new($"Combine {layers.Count} layers")
        {
            Layers = [new(row.DraftId, ordinal)],
            Say = (_, _) => mark,
            Fields = [FieldChange.Arrangement(design, present => Arranger.Combine(state.Measured.Drawn, present, layers, "combination") is var (arrangement, made) && made == ordinal ? arrangement
                : throw new ArrangingRefusedException(AtTheSameMoment))],
        }, cancel), ordinal);
    }

    /// <summary>Takes layers apart that were put together.</summary>
    public Task<StepDone> TakeApartAsync(Visit visit, int design, IReadOnlyCollection<int> layers, CancellationToken cancel)
    {
        var (row, state) = visit.Workspace.FindDesign(design)!.Value;
        var gone = layers.Where(o => o >= state.Measured.Drawn.Layers.Length).ToList();
        return edits.MakeAsync(visit.Author, new($"Take {(gone.Count == 1 ? "a combination" : $"{gone.Count} combinations")} apart")
        {
            Layers = [.. gone.Select(o => new LayerKey(row.DraftId, o))],
            Say = (_, _) => Mark.None,
            Fields = [FieldChange.Arrangement(design, present => Arranger.TakeApart(state.Measured.Drawn, present, gone))],
        }, cancel);
    }

    /// <summary>Accepts suggestions: loose layers are put together first, then all of them ship as what they look like.</summary>
    public Task<StepDone> AcceptAsync(Visit visit, int design, IReadOnlyList<Suggestion> suggestions, CancellationToken cancel)
    {
        var workspace = visit.Workspace;
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
        return edits.MakeAsync(visit.Author, new($"Ship what looks like {(suggestions.Count == 1 ? suggestions[0].Kind : $"it: {suggestions.Count} layers")}")
        {
            Layers = changes.Keys,
            Say = (key, mark) => (mark ?? changes[key].Present) is var present && present.Tags.Kind is null
                ? present with { Decision = Decision.Ship, Tags = TagLine.Parse(changes[key].Kind).ApplyTo(present.Tags) } : present with { Decision = Decision.Ship },
            Fields = loose.Count == 0 ? [] : [FieldChange.Arrangement(design, present => present.Made.Length + drawn.Layers.Length != first
                ? throw new ArrangingRefusedException(AtTheSameMoment)
                : loose.Aggregate(present, (arrangement, s) => Arranger.Combine(drawn, arrangement, [.. s.Together.Select(l => l.Ordinal)], "combination").Arrangement))],
        }, cancel);
    }
}
