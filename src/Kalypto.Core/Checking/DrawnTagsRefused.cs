using Kalypto.Core.Tagging;

namespace Kalypto.Core.Checking;

/// <summary>Tags behind a layer's name in the drawing of which a word is not understood; none of them holds then.</summary>
public sealed class DrawnTagsRefused : ICheck
{
    /// <inheritdoc/>
    public string Name => "tags in the drawing";

    /// <inheritdoc/>
    public IEnumerable<Finding> Run(CheckedPlan plan) => plan.Designs.SelectMany(design => design.Layers.Where(l => l.TagText is not null)
        .Select(layer => (Layer: layer, Line: TagLine.Parse(layer.TagText!, design.Recipes.OwnKinds)))
        .Where(l => !l.Line.Mistakes.IsEmpty)
        .Select(l => new Finding(Name, Severity.Warning, new(design.Id, l.Layer.Ordinal),
            $"{CheckedPlan.Where(design, l.Layer)} has tags in the drawing, “{l.Layer.TagText}”, that do not hold: {l.Line.Mistakes[0].Sentence}")));
}
