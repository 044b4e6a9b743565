using Kalypto.Core.Deciding;

namespace Kalypto.Core.Checking;

/// <summary>A hidden layer on which nobody decided: it would be missing without a word.</summary>
public sealed class HiddenOpen : ICheck
{
    /// <inheritdoc/>
    public string Name => "hidden layer not decided";

    /// <inheritdoc/>
    public IEnumerable<Finding> Run(CheckedPlan plan) => plan.Designs.SelectMany(design => design.Layers
        .Where(l => l.Hidden && !l.Guide && l.Parent is { HiddenHere: false } && !Progress.IsSettled(l, design.MarkOf) && !design.States.ContainsKey(l)
            && design.Measured.ScreenOf(l) is not null)
        .Select(l => new Finding(Name, Severity.Hint, new(design.Id, l.Ordinal),
            $"{CheckedPlan.Where(design, l)} is hidden in the drawing and will not come as long as nobody ships it.", new("Leave it", Decision: Decision.Leave))));
}
