using Kalypto.Application.Opening;
using Kalypto.Application.Packs;
using Kalypto.Core.Designs;
using Kalypto.Core.Tagging;

namespace Kalypto.Application.Editing;

/// <summary>Says what a line of tags would change, before it does.</summary>
public sealed class TagEffect(PlanPack plans)
{
    /// <summary>What the line would change in the pack, or what in it is not understood; neither for an empty line.</summary>
    public async Task<(PackEffect? Effect, IReadOnlyList<TagMistake> Mistakes)> OfAsync(Workspace workspace, IReadOnlyList<LayerRef> layers, string text, CancellationToken cancel)
    {
        var line = TagLine.Parse(text, workspace.Recipes.OwnKinds);
        if (!line.Mistakes.IsEmpty || line.IsEmpty)
        {
            return (null, line.Mistakes);
        }
        var changed = workspace.With(workspace.WithRepeats(layers).ToDictionary(l => l, l => workspace.MarkOf(l) is var mark ? mark with { Tags = line.ApplyTo(mark.Tags) } : mark));
        return (PackEffect.Of(await plans.PlanAsync(workspace, cancel), await plans.PlanAsync(changed, cancel)), []);
    }
}
