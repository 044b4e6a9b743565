using Kalypto.Core.Deciding;
using Kalypto.Core.Designs;

namespace Kalypto.Core.Checking;

/// <summary>An embedded photo that is neither shipped nor inside something shipped: developers cannot make it in code.</summary>
public sealed class PhotoNotShipped : ICheck
{
    /// <inheritdoc/>
    public string Name => "photo not shipped";

    /// <inheritdoc/>
    public IEnumerable<Finding> Run(CheckedPlan plan) => plan.Designs.SelectMany(design => design.Layers
        .Where(l => l.Content == LayerContent.Image && !l.HiddenHere && design.MarkOf(l).Decision is Decision.Open or Decision.Code
            && Progress.CoveredBy(l, design.MarkOf) is null && !IsPart(design.MarkOf, l) && design.Measured.ScreenOf(l) is not null)
        .Select(l => new Finding(Name, Severity.Warning, new(design.Id, l.Ordinal),
            $"{CheckedPlan.Where(design, l)} is an embedded photo that nobody ships.", new("Ship it as a photo", Decision: Decision.Ship, Tags: "photo"))));

    private static bool IsPart(Func<Layer, Mark> mark, Layer layer) => layer.Ancestors().Any(a => mark(a) is { Decision: Decision.Ship, Tags.Parts: true });
}
