using Kalypto.Core.Formats;

namespace Kalypto.Core.Checking;

/// <summary>A layer that is asked for as an Android vector and has something in it that vectors cannot show.</summary>
public sealed class CannotBeVector : ICheck
{
    /// <inheritdoc/>
    public string Id => "not-as-a-vector";

    /// <inheritdoc/>
    public string Name => "not as a vector";

    /// <inheritdoc/>
    public CheckText Text { get; } = new(
        "Layers that are asked for as an Android vector and hold something that these cannot show, such as a mask, a filter or a picture.",
        "A vector that leaves it out would look other than the drawing, so pictures of pixels are made instead.",
        "A moon with a soft shadow: vectors of Android know no filters.",
        "Do not ask for a vector, or draw the layer without what it cannot show.");

    /// <inheritdoc/>
    public IEnumerable<Finding> Run(CheckedPlan plan) => plan.Pictures
        .Where(p => p.NoVector is not null)
        .Select(p => new Finding(Id, Severity.Hint, p.Ref,
            $"“{p.Called}” on {p.ScreenName} cannot be an Android vector, for {p.NoVector}; {(plan.Platforms.Any(f => f.Id == "android") ? "it ships in densities instead" : "no such file is made")}.",
            new("Do not ask for a vector", Tags: $"-{Format.Vector}")));
}
