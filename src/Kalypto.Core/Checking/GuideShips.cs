namespace Kalypto.Core.Checking;

/// <summary>Guides that would become pictures.</summary>
public sealed class GuideShips : ICheck
{
    /// <inheritdoc/>
    public string Id => "guides-ship";

    /// <inheritdoc/>
    public string Name => "guides ship";

    /// <inheritdoc/>
    public CheckText Text { get; } = new(
        "Guides, grids and columns that would become pictures.",
        "They help the designer and are no part of the product.",
        "A layer “layout grid” that is shipped with its screen picked.",
        "Leave it.");

    /// <inheritdoc/>
    public IEnumerable<Finding> Run(CheckedPlan plan) => plan.Pictures
        .Where(picture => plan.LayerOf(picture).Guide)
        .Select(picture => new Finding(Id, Severity.Warning, picture.Ref,
            $"“{picture.Called}” on {picture.ScreenName} looks like guides and ships.",
            new("Leave it", Decision: Deciding.Decision.Leave)));
}
