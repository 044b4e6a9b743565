using Kalypto.Core.Packing;

namespace Kalypto.Core.Checking;

/// <summary>A pack, or all files of a kind, that weighs more than the project allows itself.</summary>
public sealed class OverBudget : ICheck
{
    /// <inheritdoc/>
    public string Id => "weight-over-budget";

    /// <inheritdoc/>
    public string Name => "weight over budget";

    /// <inheritdoc/>
    public CheckText Text { get; } = new(
        "A pack, or all files of a kind, that weighs more than the project allows itself.",
        "Whoever visits the site or loads the app waits for it.",
        "Photos of 3.2 MB where 2 MB are allowed.",
        "Ask for a lower quality or fewer scales, or raise the budget.");

    /// <inheritdoc/>
    public IEnumerable<Finding> Run(CheckedPlan plan)
    {
        if (plan.Designs.Count == 0 || plan.Files.IsEmpty)
        {
            yield break;
        }
        var book = plan.Designs[0].Recipes;
        if (book.Budget is { } whole && Sum(plan, plan.Files) is var all && all > whole)
        {
            yield return new(Id, Severity.Warning, Heaviest(plan, plan.Files), $"The pack weighs {Weight.Text(all)}, {Weight.Text(all - whole)} over the project's budget of {Weight.Text(whole)}.");
        }
        foreach (var (kind, most) in book.KindBudgets)
        {
            var files = plan.Files.Where(f => f.Picture.Making.Kind == kind).ToList();
            if (Sum(plan, files) is var weight && weight > most)
            {
                yield return new(Id, Severity.Warning, Heaviest(plan, files), $"All files of the kind {kind} weigh {Weight.Text(weight)}, {Weight.Text(weight - most)} over their budget of {Weight.Text(most)}.") { About = kind };
            }
        }
    }

    private static long Sum(CheckedPlan plan, IEnumerable<PlannedFile> files) => files.Sum(plan.Weight);

    private static Designs.LayerRef Heaviest(CheckedPlan plan, IEnumerable<PlannedFile> files) => files.GroupBy(f => f.Picture.Ref).MaxBy(g => g.Sum(plan.Weight))!.Key;
}
