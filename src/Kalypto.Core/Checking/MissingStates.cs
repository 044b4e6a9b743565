using Kalypto.Core.Deciding;

namespace Kalypto.Core.Checking;

/// <summary>A button of which states are drawn, but not all that the others have.</summary>
public sealed class MissingStates : DesignCheck
{
    private static readonly string[] Usual = ["normal", "pressed", "disabled"];

    /// <inheritdoc/>
    public override string Id => "missing-states-of-a-button";

    /// <inheritdoc/>
    public override string Name => "missing states of a button";

    /// <inheritdoc/>
    public override CheckText Text { get; } = new(
        "Buttons of which some states are drawn, but not all that the other buttons have.",
        "The developers make up what is missing.",
        "A button drawn as normal and hover, where all others have pressed too.",
        "Draw the state, or say which layer shows it.");

    /// <inheritdoc/>
    protected override IEnumerable<Finding> Run(DesignState design)
    {
        var sets = design.States.Values.Distinct().ToList();
        var wanted = sets.Count > 1 ? sets.SelectMany(s => s.Members.Select(m => m.State)).Append("normal").Distinct().ToArray() : Usual;
        foreach (var set in sets)
        {
            var missing = wanted.Except(set.Members.Select(m => m.State)).Order(StringComparer.Ordinal).ToList();
            if (missing.Count > 0)
            {
                yield return new(Id, Severity.Hint, new(design.Id, set.Members[0].Layer.Ordinal),
                    $"The button {string.Join('-', set.Name)} is drawn as {string.Join(", ", set.Members.Select(m => m.State))}; {string.Join(" and ", missing)} {(missing.Count == 1 ? "is" : "are")} missing.");
            }
        }
    }
}
