namespace Kalypto.Core.Checking;

/// <summary>Ink that does not fit a fixed box.</summary>
public sealed class InkOutsideBox : ICheck
{
    /// <inheritdoc/>
    public string Name => "ink outside its box";

    /// <inheritdoc/>
    public IEnumerable<Finding> Run(CheckedPlan plan) => plan.Pictures
        .Where(picture => picture.Crop is { Cut: true } || picture.Variants.Any(v => v.Crop is { Cut: true }))
        .Select(picture => new Finding(Name, Severity.Warning, picture.Ref,
            $"Part of “{picture.LayerName}” on {picture.ScreenName} lies outside its box of {picture.Making.Crop} and is cut off.",
            new("Crop to its ink", Tags: "crop:ink")));
}
