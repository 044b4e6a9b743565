using Kalypto.Core.Deciding;

namespace Kalypto.Core.Checking;

/// <summary>A hidden layer on which nobody decided: it would be missing without a word.</summary>
public sealed class HiddenOpen : DesignCheck
{
    /// <inheritdoc/>
    public override string Id => "hidden-layer-not-decided";

    /// <inheritdoc/>
    public override string Name => "hidden layer not decided";

    /// <inheritdoc/>
    public override CheckText Text { get; } = new(
        "Hidden layers on which nobody decided.",
        "What is hidden does not come, and nobody is told that it is missing.",
        "A hidden state “pressed” of a card that nobody looked at.",
        "Ship it, or leave it deliberately.");

    /// <inheritdoc/>
    protected override IEnumerable<Finding> Run(DesignState design) => design.Layers
        .Where(l => l.Hidden && !l.Guide && l.Parent is { HiddenHere: false } && !Progress.IsSettled(l, design.MarkOf) && !design.States.ContainsKey(l)
            && design.Measured.ScreenOf(l) is not null)
        .Select(l => new Finding(Id, Severity.Hint, new(design.Id, l.Ordinal),
            $"{CheckedPlan.Where(design, l)} is hidden in the drawing and will not come as long as nobody ships it.", new("Leave it", Decision: Decision.Leave)));
}
