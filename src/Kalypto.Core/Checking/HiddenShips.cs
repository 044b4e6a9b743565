namespace Kalypto.Core.Checking;

/// <summary>A shipped layer that cannot be seen or was locked in the drawing; the states of a button are hidden by nature.</summary>
public sealed class HiddenShips : ICheck
{
    /// <inheritdoc/>
    public string Id => "hidden-or-locked-layer-ships";

    /// <inheritdoc/>
    public string Name => "hidden or locked layer ships";

    /// <inheritdoc/>
    public CheckText Text { get; } = new(
        "Layers that ship although they are hidden or locked in the drawing.",
        "What is hidden or locked was often put aside on purpose.",
        "A locked draft of a logo under the one that holds.",
        "Leave it, or show it in the drawing.");

    /// <inheritdoc/>
    public IEnumerable<Finding> Run(CheckedPlan plan) => plan.Pictures
        .Where(picture => picture.State is null && plan.LayerOf(picture) is { HiddenHere: true } or { Locked: true })
        .Select(picture => new Finding(Id, Severity.Warning, picture.Ref,
            $"“{picture.Called}” on {picture.ScreenName} is {(plan.LayerOf(picture).HiddenHere ? "hidden" : "locked")} in the drawing and ships all the same.",
            new("Leave it", Decision: Deciding.Decision.Leave)));
}
