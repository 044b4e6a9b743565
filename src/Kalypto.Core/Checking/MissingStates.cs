namespace Kalypto.Core.Checking;

/// <summary>A button of which states are drawn, but not all that the others have.</summary>
public sealed class MissingStates : ICheck
{
    private static readonly string[] Usual = ["normal", "pressed", "disabled"];

    /// <inheritdoc/>
    public string Name => "missing states of a button";

    /// <inheritdoc/>
    public IEnumerable<Finding> Run(CheckedPlan plan)
    {
        foreach (var design in plan.Designs)
        {
            var sets = design.States.Values.Distinct().ToList();
            var wanted = sets.Count > 1 ? sets.SelectMany(s => s.Members.Select(m => m.State)).Append("normal").Distinct().ToArray() : Usual;
            foreach (var set in sets)
            {
                var missing = wanted.Except(set.Members.Select(m => m.State)).Order(StringComparer.Ordinal).ToList();
                if (missing.Count > 0)
                {
                    yield return new(Name, Severity.Hint, new(design.Id, set.Members[0].Layer.Ordinal),
                        $"The button {string.Join('-', set.Name)} is drawn as {string.Join(", ", set.Members.Select(m => m.State))}; {string.Join(" and ", missing)} {(missing.Count == 1 ? "is" : "are")} missing.");
                }
            }
        }
    }
}
