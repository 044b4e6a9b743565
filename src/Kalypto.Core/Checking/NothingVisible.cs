namespace Kalypto.Core.Checking;

/// <summary>A shipped layer with nothing to see.</summary>
public sealed class NothingVisible : ICheck
{
    /// <inheritdoc/>
    public string Id => "nothing-visible";

    /// <inheritdoc/>
    public string Name => "nothing visible";

    /// <inheritdoc/>
    public CheckText Text { get; } = new(
        "Layers that ship although nothing of them can be seen.",
        "A file of nothing helps nobody, so none is made.",
        "A group whose only shape has no fill and no stroke.",
        "Leave it.");

    /// <inheritdoc/>
    public IEnumerable<Finding> Run(CheckedPlan plan) => plan.Pictures
        .Where(picture => picture.Crop is null && plan.Looks(picture.Key) is { Failure: null })
        .Select(picture => new Finding(Id, Severity.Warning, picture.Ref,
            $"“{picture.Called}” on {picture.ScreenName} ships, but nothing of it is visible, so no file is made.",
            new("Leave it", Decision: Deciding.Decision.Leave)));
}
