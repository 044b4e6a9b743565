namespace Kalypto.Core.Checking;

/// <summary>Guides that would become pictures.</summary>
public sealed class GuideShips : ICheck
{
    /// <inheritdoc/>
    public string Name => "guides ship";

    /// <inheritdoc/>
    public IEnumerable<Finding> Run(CheckedPlan plan) => plan.Pictures
        .Where(picture => plan.LayerOf(picture).Guide)
        .Select(picture => new Finding(Name, Severity.Warning, picture.Ref,
            $"“{picture.LayerName}” on {picture.ScreenName} looks like guides and ships.",
            new("Leave it", Decision: Deciding.Decision.Leave)));
}
