namespace Kalypto.Core.Checking;

/// <summary>Ink that does not fit a fixed box.</summary>
public sealed class InkOutsideBox : ICheck
{
    /// <inheritdoc/>
    public IEnumerable<Finding> Run(CheckedPlan plan) => plan.Pictures
        .Where(picture => picture.Crop is { Cut: true })
        .Select(picture => new Finding("ink outside its box", Severity.Warning, picture.Ref,
            $"Part of “{picture.LayerName}” on {picture.ScreenName} lies outside its box of {picture.Making.Crop} and is cut off.",
            new("Crop to its ink", Tags: "crop:ink")));
}
