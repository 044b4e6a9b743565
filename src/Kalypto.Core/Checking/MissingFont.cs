namespace Kalypto.Core.Checking;

/// <summary>A shipped layer with text in a font that is not there.</summary>
public sealed class MissingFont : ICheck
{
    private static readonly string[] Generic = ["serif", "sans-serif", "monospace", "cursive", "fantasy", "system-ui", "inherit"];

    /// <inheritdoc/>
    public string Id => "font-not-available";

    /// <inheritdoc/>
    public string Name => "font not available";

    /// <inheritdoc/>
    public CheckText Text { get; } = new(
        "Layers that ship with text in a font that is not there.",
        "Another font stands in for it, with other letters and other widths.",
        "A heading in a font that only the designer has.",
        "Put the font into the folder of fonts, or ship the text as outlines from the drawing.");

    /// <inheritdoc/>
    public IEnumerable<Finding> Run(CheckedPlan plan)
    {
        foreach (var picture in plan.Pictures)
        {
            var layer = plan.LayerOf(picture);
            if (plan.DesignOf(picture).Measured.Contents[layer.Ordinal].Texts == 0)
            {
                continue;
            }
            var families = layer.Element.SelfAndDescendants().Concat(layer.DrawnAncestors().Select(a => a.Element))
                .Select(e => e.Style("font-family")).OfType<string>().Select(First).Where(f => f.Length > 0 && !Generic.Contains(f, StringComparer.OrdinalIgnoreCase)).Distinct();
            foreach (var family in families)
            {
                if (plan.StandIn(family) is { } other)
                {
                    yield return new(Id, Severity.Warning, picture.Ref,
                        $"“{picture.LayerName}” on {picture.ScreenName} has text in {family}, which is not there; {other} stands in for it.")
                    { About = family };
                }
            }
        }
    }

    private static string First(string families) => families.Split(',')[0].Trim().Trim('"', '\'').Trim();
}
