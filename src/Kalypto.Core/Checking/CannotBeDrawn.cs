namespace Kalypto.Core.Checking;

/// <summary>A layer that the renderer could not draw.</summary>
public sealed class CannotBeDrawn : ICheck
{
    /// <inheritdoc/>
    public string Id => "cannot-be-drawn";

    /// <inheritdoc/>
    public string Name => "cannot be drawn";

    /// <inheritdoc/>
    public CheckText Text { get; } = new(
        "Layers of which nothing comes, because the drawing of them fails: it takes too long, needs too much memory, or holds something that cannot be drawn at all.",
        "The file would be missing from the pack without a word.",
        "A layer with a turbulence filter over ten thousand points that is not done after half a minute.",
        "Make the effect simpler in the drawing, or put a picture of it there.");

    /// <inheritdoc/>
    public IEnumerable<Finding> Run(CheckedPlan plan) => plan.Pictures
        .Where(picture => plan.Looks(picture.Key)?.Failure is not null)
        .Select(picture => new Finding(Id, Severity.Warning, picture.Ref,
            $"“{picture.Called}” on {picture.ScreenName} cannot be drawn: {plan.Looks(picture.Key)!.Failure} No file of it is made."));
}
