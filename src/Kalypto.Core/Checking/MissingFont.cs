using Kalypto.Core.Designs;
using Kalypto.Core.Fonts;

namespace Kalypto.Core.Checking;

/// <summary>A shipped layer with text in a font that is not there.</summary>
public sealed class MissingFont : ICheck
{
    /// <inheritdoc/>
    public string Id => "font-not-available";

    /// <inheritdoc/>
    public string Name => "font not available";

    /// <inheritdoc/>
    public CheckText Text { get; } = new(
        "Layers that ship with text in a font that is not there.",
        "Another font stands in for it, with other letters and other widths.",
        "A heading in a font that only the designer has.",
        "Drop the font onto the project, or ship the text as outlines from the drawing.");

    /// <inheritdoc/>
    public IEnumerable<Finding> Run(CheckedPlan plan)
    {
        foreach (var picture in plan.Pictures)
        {
            var layer = plan.LayerOf(picture);
            var drawing = plan.DesignOf(picture).Measured;
            if (drawing.Contents[layer.Ordinal].Texts == 0)
            {
                continue;
            }
            foreach (var families in AskedFont.Of(layer).Select(a => a.Families).DistinctBy(FamilyList.Wanted, StringComparer.OrdinalIgnoreCase))
            {
                if (drawing.Drawn.Fonts.StandInFor(families, plan.StandIn) is { } other && FamilyList.Wanted(families) is { } family)
                {
                    yield return new(Id, Severity.Warning, picture.Ref,
                        $"“{picture.Called}” on {picture.ScreenName} has text in {family}, which is not there; {other} stands in for it.")
                    { About = family };
                }
            }
        }
    }
}
