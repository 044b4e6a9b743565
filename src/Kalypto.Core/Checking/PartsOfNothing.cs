namespace Kalypto.Core.Checking;

/// <summary>A layer asked for in parts that has none.</summary>
public sealed class PartsOfNothing : ICheck
{
    /// <inheritdoc/>
    public string Id => "parts-of-nothing";

    /// <inheritdoc/>
    public string Name => "parts of nothing";

    /// <inheritdoc/>
    public CheckText Text { get; } = new(
        "Layers asked for in parts in which nothing would ship.",
        "Nothing would come of them.",
        "A single shape with the tag “parts”.",
        "Ship it whole.");

    /// <inheritdoc/>
    public IEnumerable<Finding> Run(CheckedPlan plan) => plan.Designs.SelectMany(design => design.Marks
        .Where(m => m.Value is { Decision: Deciding.Decision.Ship, Tags.Parts: true } && m.Key < design.Layers.Length && !plan.Pictures.Any(p => p.PartOf == new Designs.LayerRef(design.Id, m.Key)))
        .Select(m => new Finding(Id, Severity.Warning, new(design.Id, m.Key),
            $"{CheckedPlan.Where(design, design.Layers[m.Key])} is asked for in parts, but nothing in it would ship.", new("Ship it whole", Tags: "whole"))));
}
