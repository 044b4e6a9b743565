using Kalypto.Application.Opening;
using Kalypto.Core.Deciding;
using Kalypto.Core.Designs;
using Kalypto.Core.Suggesting;
using Kalypto.Core.Tagging;
using Kalypto.Store;

namespace Kalypto.Application.Editing;

/// <summary>Decides on many layers of a screen at once: by a rule, or as they are suggested.</summary>
public sealed class DecideByRule(EditLayers edit, ArrangeLayers arrange)
{
    /// <summary>Decides on all open layers of a sort.</summary>
    /// <param name="visit">Who does it.</param>
    /// <param name="design">The design.</param>
    /// <param name="screen">The layer that stands for the screen.</param>
    /// <param name="rule">The rule.</param>
    /// <param name="scope">Where.</param>
    /// <param name="cancel">Ends the wait.</param>
    /// <returns>What became of it, and how many layers it is about.</returns>
    public async Task<(StepDone Done, int Layers)> RunAsync(Visit visit, int design, int screen, DecisionRule rule, RuleScope scope, CancellationToken cancel)
    {
        if (visit.Workspace.FindScreen(design, screen) is not var (_, state, shown))
        {
            return (new(StepState.Gone), 0);
        }
        var layers = scope switch
        {
            RuleScope.Screen => rule.Among(state, state.Measured.LayersOf(shown)).Select(l => new LayerRef(design, l.Ordinal)).ToList(),
            RuleScope.Design => AllOf(state),
            _ => [.. visit.Workspace.States.SelectMany(AllOf)],
        };
        List<LayerRef> AllOf(DesignState all) => [.. rule.Among(all, all.Layers.Skip(1)).Select(l => new LayerRef(all.Id, l.Ordinal))];
        var line = TagLine.Parse(rule.Tags);
        return (layers.Count == 0 ? new(StepState.Nothing) : await edit.ChangeAsync(visit, $"{char.ToUpperInvariant(rule.Label[0])}{rule.Label[1..]} ({layers.Count})", layers,
            mark => mark with { Decision = rule.Decision, Tags = mark.Tags.Kind is null ? line.ApplyTo(mark.Tags) : mark.Tags }, cancel), layers.Count);
    }

    /// <summary>Accepts what is suggested for layers that are picked, or for all of a screen that are of a kind and likely enough.</summary>
    /// <param name="visit">Who does it.</param>
    /// <param name="design">The design.</param>
    /// <param name="screen">The layer that stands for the screen.</param>
    /// <param name="picked">The layers picked; looked at only where neither kind nor likelihood is asked.</param>
    /// <param name="kind">The kind, or null for any.</param>
    /// <param name="atLeast">How likely, in percent; null for any.</param>
    /// <param name="cancel">Ends the wait.</param>
    /// <returns>What became of it, and how many layers will ship.</returns>
    public async Task<(StepDone Done, int Layers)> AcceptAsync(Visit visit, int design, int screen, IReadOnlyList<LayerRef> picked, string? kind, int? atLeast, CancellationToken cancel)
    {
        if (visit.Workspace.FindScreen(design, screen) is not var (_, state, shown))
        {
            return (new(StepState.Gone), 0);
        }
        var ordinals = picked.Select(l => l.Ordinal).ToHashSet();
        var accepted = state.Suggested().Where(s => kind is null && atLeast is null
            ? ordinals.Contains(s.Layer.Ordinal)
            : state.Measured.ScreenOf(s.Layer) == shown && (kind is null || s.Kind == kind) && s.Strength * 100 >= (atLeast ?? 0) - 0.5).ToList();
        return (accepted.Count == 0 ? new(StepState.Nothing) : await arrange.AcceptAsync(visit, design, accepted, cancel), accepted.Count);
    }
}
