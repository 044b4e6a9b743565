namespace Kalypto.Core.Checking;

/// <summary>Ink that does not fit a fixed box.</summary>
public sealed class InkOutsideBox : ICheck
{
    /// <inheritdoc/>
    public string Id => "ink-outside-its-box";

    /// <inheritdoc/>
    public string Name => "ink outside its box";

    /// <inheritdoc/>
    public CheckText Text { get; } = new(
        "Layers whose ink does not fit the fixed box that is asked for them.",
        "Something visible would be cut off.",
        "A bell with a shadow in a box of 24x24.",
        "Give it a larger box, or crop it to its ink.");

    /// <inheritdoc/>
    public IEnumerable<Finding> Run(CheckedPlan plan) => plan.Pictures
        .Where(picture => picture.Crop is { Cut: true } || picture.Variants.Any(v => v.Crop is { Cut: true }))
        .Select(picture => new Finding(Id, Severity.Warning, picture.Ref,
            $"Part of “{picture.Called}” on {picture.ScreenName} lies outside its box of {picture.Making.Crop} and is cut off.",
            new("Crop to its ink", Tags: "crop:ink")));
}
