using Kalypto.Core.Deciding;
using Kalypto.Core.Naming;
using Kalypto.Core.Platforms;

namespace Kalypto.Core.Checking;

/// <summary>A shipped layer that still has the name its program gave it.</summary>
public sealed class NotNamedYet : ICheck
{
    /// <inheritdoc/>
    public string Id => "not-named-yet";

    /// <inheritdoc/>
    public string Name => "not named yet";

    /// <inheritdoc/>
    public CheckText Text { get; } = new(
        "Layers that ship under a name that a program gave them.",
        "The name becomes the file’s, and often a variable in code.",
        "“Group 41”.",
        "Give it a name; one is offered from what is in and beside it.");

    /// <inheritdoc/>
    public IEnumerable<Finding> Run(CheckedPlan plan) => plan.Pictures
        .Where(picture => !picture.NameIsTyped && picture.PartOf is null && picture.State is null && DefaultNames.IsNotNamed(plan.LayerOf(picture)))
        .Select(picture => new Finding(Id, Severity.Warning, picture.Ref,
            $"“{picture.Called}” on {picture.ScreenName} ships, but nobody has named it yet.",
            Offer(plan, picture)));

    private static Fix Offer(CheckedPlan plan, Packing.Picture picture)
    {
        var offered = plan.Platforms.TakenByAll(NameSuggestions.Of(plan.DesignOf(picture), plan.LayerOf(picture), picture.Making.Kind));
        return new($"Name it {offered}", ShipName: offered);
    }
}
