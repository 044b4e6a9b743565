namespace Kalypto.Core.Checking;

/// <summary>A layer that the renderer could not draw.</summary>
public sealed class CannotBeDrawn : ICheck
{
    /// <inheritdoc/>
    public string Name => "cannot be drawn";

    /// <inheritdoc/>
    public IEnumerable<Finding> Run(CheckedPlan plan) => plan.Pictures
        .Where(picture => plan.Looks(picture.Key)?.Failure is not null)
        .Select(picture => new Finding(Name, Severity.Warning, picture.Ref,
            $"“{picture.LayerName}” on {picture.ScreenName} cannot be drawn: {plan.Looks(picture.Key)!.Failure} No file of it is made."));
}
