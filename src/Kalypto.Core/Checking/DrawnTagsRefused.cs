using Kalypto.Core.Deciding;
using Kalypto.Core.Tagging;

namespace Kalypto.Core.Checking;

/// <summary>Tags behind a layer's name in the drawing of which a word is not understood; none of them holds then.</summary>
public sealed class DrawnTagsRefused : DesignCheck
{
    /// <inheritdoc/>
    public override string Id => "tags-in-the-drawing";

    /// <inheritdoc/>
    public override string Name => "tags in the drawing";

    /// <inheritdoc/>
    public override CheckText Text { get; } = new(
        "Layers whose tags, written behind their name in the drawing, have a word that is not understood.",
        "None of the words holds then, for half of what somebody meant may be worse than nothing.",
        "“bell [icn to:icons]”.",
        "Mend the word in the drawing, or say the tags here.");

    /// <inheritdoc/>
    protected override IEnumerable<Finding> Run(DesignState design) => design.Layers.Where(l => l.TagText is not null)
        .Select(layer => (Layer: layer, Line: TagLine.Parse(layer.TagText!, design.Recipes.OwnKinds)))
        .Where(l => !l.Line.Mistakes.IsEmpty)
        .Select(l => new Finding(Id, Severity.Warning, new(design.Id, l.Layer.Ordinal),
            $"{CheckedPlan.Where(design, l.Layer)} has tags in the drawing, “{l.Layer.TagText}”, that do not hold: {l.Line.Mistakes[0].Sentence}"));
}
