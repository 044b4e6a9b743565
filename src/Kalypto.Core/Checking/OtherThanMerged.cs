using Kalypto.Core.Deciding;
using Kalypto.Core.Designs;

namespace Kalypto.Core.Checking;

/// <summary>A layered picture whose own merged picture looks otherwise than its layers put together.</summary>
public sealed class OtherThanMerged : DesignCheck
{
    // A share of the pixels.
    private const double Least = 0.005;

    /// <inheritdoc/>
    public override string Id => "other-than-merged";

    /// <inheritdoc/>
    public override string Name => "other than its merged picture";

    /// <inheritdoc/>
    public override CheckText Text { get; } = new(
        "OpenRaster drawings that were saved with a merged picture which looks otherwise than their layers put together.",
        "The program that drew it has effects that the format does not keep, so that its layers come out otherwise than they looked there.",
        "A glow that the program puts on a layer, and leaves out when it saves that layer.",
        "Compare the screen with what the program shows; have the program apply the effect to the layer, and bring the drawing in again.");

    /// <inheritdoc/>
    protected override IEnumerable<Finding> Run(DesignState design)
    {
        if (design.Measured.Merged is { } share && share > Least)
        {
            yield return new(Id, Severity.Warning, new(design.Id, 0),
                $"“{design.Name}” was saved with a merged picture that shows {Numbers.Text(100 * share, 1)}% of its pixels otherwise than its layers do.");
        }
    }
}
