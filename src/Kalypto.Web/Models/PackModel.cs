using Kalypto.Core.Packing;
using Kalypto.Web.UseCases;

namespace Kalypto.Web.Models;

/// <summary>Everything that the pack page shows: the page itself makes folders, cards, lists and sums of it.</summary>
public sealed record PackModel(
    IReadOnlyList<PackFile> Files, IReadOnlyList<string> SideFiles, SumModel Sum, IReadOnlyList<FindingModel> Findings, IReadOnlyList<PackBudget> Budgets, IReadOnlyList<PackScreen> Screens)
{
    private const int MostFindings = 6;

    /// <summary>Puts it together.</summary>
    public static PackModel Of(Workspace workspace, PlannedPack plan)
    {
        var findings = plan.Pack.Findings.ToLookup(f => f.Layer);
        var names = plan.Pack.Pictures.DistinctBy(p => p.Ref).ToDictionary(p => p.Ref, p => (
            Screen: p.Places.Length > 1 ? $"{p.ScreenName} and {Words.Count(p.Places.Length - 1, "other place")}" : p.ScreenName, Link: Links.Layer(workspace, p.Ref), Findings: findings[p.Ref].Count()));
        var book = workspace.Recipes;
        var budgets = book.KindBudgets.Select(b => Budget($"all of {b.Key}", plan, plan.Pack.Files.Where(f => f.Picture.Making.Kind == b.Key), b.Value));
        return new(
            [.. plan.Pack.Files.Select(f => new PackFile(DetailFile.Of(plan, f), f.Picture.Name, $"{f.Picture.Ref.Design}.{f.Picture.Ref.Ordinal}", names[f.Picture.Ref].Link,
                f.Picture.Making.Kind, names[f.Picture.Ref].Screen, names[f.Picture.Ref].Findings))],
            [.. plan.Pack.SideFiles.Select(s => s.Path), "manifest.json"], BenchModel.SumOf(plan),
            // What stops the build and what ships otherwise than asked; the rest has a page of its own.
            [.. plan.Pack.Findings.Where(f => f.Severity == Core.Checking.Severity.Blocker || names.ContainsKey(f.Layer)).Take(MostFindings).Select(FindingModel.Of)],
            [.. book.Budget is { } whole ? [Budget("the whole pack", plan, plan.Pack.Files, whole)] : Array.Empty<PackBudget>(), .. budgets],
            [.. workspace.Designs.SelectMany(d => d.State.Measured.Drawing.Screens.Select(s => new PackScreen(d.Row.Id, s.Root.Ordinal, s.Name)))]);
    }

    private static PackBudget Budget(string name, PlannedPack plan, IEnumerable<PlannedFile> files, long most)
    {
        var weight = plan.WeightOf(files);
        return new(name, weight.Bytes, most, $"{Words.Weight(weight)} of {Words.Weight((most, false))}");
    }
}
