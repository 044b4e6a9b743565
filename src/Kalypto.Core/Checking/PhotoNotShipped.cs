using Kalypto.Core.Deciding;
using Kalypto.Core.Designs;

namespace Kalypto.Core.Checking;

/// <summary>An embedded photo that is neither shipped nor inside something shipped: developers cannot make it in code.</summary>
public sealed class PhotoNotShipped : DesignCheck
{
    /// <inheritdoc/>
    public override string Id => "photo-not-shipped";

    /// <inheritdoc/>
    public override string Name => "photo not shipped";

    /// <inheritdoc/>
    public override CheckText Text { get; } = new(
        "Embedded photos that neither ship nor lie in something that does.",
        "Nobody can make a photo in code.",
        "A portrait on a card that is built in code.",
        "Ship it as a photo, or leave it deliberately.");

    /// <inheritdoc/>
    protected override IEnumerable<Finding> Run(DesignState design) => design.Layers
        .Where(l => l.Content == LayerContent.Image && !l.HiddenHere && !l.Guide && !l.Ancestors().Any(a => a.Guide) && design.MarkOf(l).Decision is Decision.Open or Decision.Code
            && Progress.CoveredBy(l, design.MarkOf) is null && !IsPart(design.MarkOf, l) && design.Measured.ScreenOf(l) is not null)
        .Select(l => new Finding(Id, Severity.Warning, new(design.Id, l.Ordinal),
            $"{CheckedPlan.Where(design, l)} is an embedded photo that nobody ships.", new("Ship it as a photo", Decision: Decision.Ship, Tags: "photo")));

    private static bool IsPart(Func<Layer, Mark> mark, Layer layer) => layer.Ancestors().Any(a => mark(a) is { Decision: Decision.Ship, Tags.Parts: true });
}
