namespace Kalypto.Core.Checking;

/// <summary>A group around everything on a screen: it is stepped over, and shipping it would ship the screen.</summary>
public sealed class NeedlessOuterGroup : ICheck
{
    /// <inheritdoc/>
    public string Name => "needless outer group";

    /// <inheritdoc/>
    public IEnumerable<Finding> Run(CheckedPlan plan) => plan.Designs.SelectMany(design => design.Layers
        .Where(design.Measured.IsNeedlessOuter)
        .Select(l => new Finding(Name, Severity.Hint, new(design.Id, l.Ordinal),
            $"{CheckedPlan.Where(design, l)} is a group around everything there; it is stepped over and gives no folder.")));
}
