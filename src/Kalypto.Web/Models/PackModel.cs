using Kalypto.Application.Opening;
using Kalypto.Application.Packs;
using Kalypto.Core.Checking;
using Kalypto.Core.Packing;
using Kalypto.Web.Wording;

namespace Kalypto.Web.Models;

/// <summary>What the pack page shows.</summary>
/// <param name="Files">The files shown.</param>
/// <param name="Found">How many there are in the folder, shown or not.</param>
/// <param name="Weight">What those weigh.</param>
/// <param name="Folders">The folders of all files that are meant; share is that of the whole pack.</param>
/// <param name="Sums">Sums of the files in the folder.</param>
/// <param name="Kinds">The kinds in the whole pack.</param>
/// <param name="Formats">The formats with their qualities in the whole pack.</param>
/// <param name="Part">What could be built by itself, in words; empty for everything.</param>
/// <param name="SideFiles">The text files that go with the pictures.</param>
/// <param name="Sum">The sums over the whole pack.</param>
/// <param name="Findings">What stops the build, and what ships otherwise than asked.</param>
/// <param name="Budgets">Budgets with what is used of them.</param>
/// <param name="Screens">The screens.</param>
/// <param name="Proofs">How near to a browser's pictures they ship.</param>
public sealed record PackModel(
    IReadOnlyList<PackFile> Files, int Found, string Weight, IReadOnlyList<PackSumRow> Folders, IReadOnlyList<PackSums> Sums, IReadOnlyList<string> Kinds, IReadOnlyList<string> Formats,
    string Part, IReadOnlyList<string> SideFiles, SumModel Sum, IReadOnlyList<FindingModel> Findings, IReadOnlyList<PackBudget> Budgets, IReadOnlyList<PackScreen> Screens, PackProofs Proofs)
{
    private const int MostFindings = 6;

    private static readonly (string Name, Func<PlannedFile, string> Of)[] Common =
    [
        ("platform", f => f.Platform), ("format", f => DetailFile.FormatOf(f)), ("size", DetailFile.SizeOf), ("kind", f => f.Picture.Making.Kind), ("screen", f => f.Picture.ScreenName),
    ];

    /// <summary>Puts it together.</summary>
    public static PackModel Of(Workspace workspace, PlannedPack plan, PackProofs proofs, PackQuery query)
    {
        var all = plan.Pack.Files;
        var meant = query.Among(workspace, plan);
        var found = query.InFolder(meant, plan);
        var weight = plan.WeightOf(found);
        var findings = plan.Pack.Findings.ToLookup(f => f.Layer);
        var ships = plan.Pack.Pictures.Select(p => p.Ref).ToHashSet();
        var book = workspace.Recipes;
        var budgets = book.KindBudgets.Select(b => Budget($"all of {b.Key}", plan, all.Where(f => f.Picture.Making.Kind == b.Key), b.Value));
        return new(
            [.. found.Take(query.Most).Select(f => new PackFile(DetailFile.Of(workspace.Row.Id, plan, f), PackSum.FolderOf(f.Path), f.Picture.Name, $"{f.Picture.Ref.Design}.{f.Picture.Ref.Ordinal}",
                Links.Layer(workspace, f.Picture.Ref), f.Picture.Making.Kind, ScreensOf(f.Picture), findings[f.Picture.Ref].Count()))],
            found.Count, Words.Weight(weight), [.. PackSum.Folders(meant, plan.WeightOf).Select(s => PackSumRow.Of(s, 0))],
            [.. Common.Select(c => new PackSums(c.Name, [.. PackSum.By(found, c.Of, plan.WeightOf).Select(s => PackSumRow.Of(s, weight.Bytes))]))],
            [.. all.Select(f => f.Picture.Making.Kind).Distinct().Order()], [.. all.Select(f => f.Ask.Format.ToString()).Distinct().Order()], query.Part.Words(workspace),
            [.. plan.Pack.SideFiles.Select(s => s.Path), "manifest.json"], BenchModel.SumOf(plan),
            // What stops the build and what ships otherwise than asked; the rest has a page of its own.
            [.. plan.Pack.Findings.Where(f => f.Severity == Severity.Blocker || ships.Contains(f.Layer)).Take(MostFindings).Select(FindingModel.Of)],
            [.. book.Budget is { } whole ? [Budget("the whole pack", plan, all, whole)] : Array.Empty<PackBudget>(), .. budgets],
            [.. workspace.Designs.SelectMany(d => d.State.Measured.Drawing.Screens.Select(s => new PackScreen(d.Row.Id, s.Root.Ordinal, s.Name)))], proofs);
    }

    private static string ScreensOf(Picture picture) =>
        picture.Places.Length > 1 ? $"{picture.ScreenName} and {Words.Count(picture.Places.Length - 1, "other place")}" : picture.ScreenName;

    private static PackBudget Budget(string name, PlannedPack plan, IEnumerable<PlannedFile> files, long most)
    {
        var weight = plan.WeightOf(files);
        return new(name, weight.Bytes, most, $"{Words.Weight(weight)} of {Words.Weight((most, false))}");
    }
}
