using Kalypto.Core.Designs;
using Kalypto.Core.Tagging;

namespace Kalypto.Core.Checking;

/// <summary>A shadow, glow or blur that a crop by shape cuts off.</summary>
public sealed class EffectCutOff : ICheck
{
    // A fainter rim is seen by nobody.
    private const double Rim = 0.75;

    /// <inheritdoc/>
    public string Id => "effect-cut-off";

    /// <inheritdoc/>
    public string Name => "effect cut off";

    /// <inheritdoc/>
    public CheckText Text { get; } = new(
        "Shadows, glows and blurs that reach beyond the shape that their picture is cropped to.",
        "They end in a hard edge.",
        "A card with a soft shadow under `crop:shape`.",
        "Crop it to its ink, or build the shadow in code and take it out of the drawing.");

    /// <inheritdoc/>
    public IEnumerable<Finding> Run(CheckedPlan plan)
    {
        foreach (var picture in plan.Pictures)
        {
            var crops = picture.Variants.Select(v => (v.Making, v.Crop)).Append((picture.Making, picture.Crop)).Where(c => c.Making.Crop is CropKind.Shape).Select(c => c.Crop?.Box).OfType<Box>().ToList();
            if (crops.Count > 0 && plan.LayerOf(picture).Element.SelfAndDescendants().Any(e => e.Style("filter") is not (null or "none" or "") || e.Style("text-shadow") is not (null or "none" or ""))
                && plan.Looks(picture.Key)?.Ink is { } ink && plan.DesignOf(picture).ToPoints(ink).Inflate(-Rim) is var seen && crops.Exists(c => c.Intersect(seen) != seen))
            {
                yield return new(Id, Severity.Warning, picture.Ref, $"The shadow or blur of “{picture.Called}” on {picture.ScreenName} reaches beyond its shape, where it is cut off.",
                    new("Crop to its ink", Tags: "crop:ink"));
            }
        }
    }
}
