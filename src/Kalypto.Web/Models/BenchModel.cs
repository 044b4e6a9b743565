using Kalypto.Application.Benches;
using Kalypto.Application.Opening;
using Kalypto.Application.Packs;
using Kalypto.Core.Formats;
using Kalypto.Core.Packing;
using Kalypto.Web.Wording;

namespace Kalypto.Web.Models;

/// <summary>Everything that the bench shows of one screen.</summary>
/// <param name="Strip">The screens beside it, each written when it has to be.</param>
/// <param name="Screen">This one.</param>
/// <param name="DrawnAt">Drawing units in one pt.</param>
/// <param name="Rows">The rows of the ledger in their order, each written when it has to be.</param>
/// <param name="Sum">The sums over the whole pack.</param>
/// <param name="HowMuch">What becomes of how much: <c>45 shapes become 3 files</c>.</param>
public sealed record BenchModel(IReadOnlyList<JournalRow> Strip, ScreenModel Screen, double DrawnAt, IReadOnlyList<JournalRow> Rows, SumModel Sum, string HowMuch)
{
    /// <summary>Puts the bench of one screen together.</summary>
    public static BenchModel Of(Workspace workspace, PlannedPack plan, int design, int root)
    {
        var (row, state, screen) = workspace.FindScreen(design, root)!.Value;
        var strip = ScreenModels.Around(workspace, design, root);
        var rows = new Ledger(workspace, plan, row, state, screen).Rows();
        var here = rows.Select(r => (int)r.Id).ToHashSet();
        var files = plan.Pack.Files.Count(f => (f.Picture.PartOf ?? f.Picture.Ref) is var made && (made.Design == design && here.Contains(made.Ordinal)
            || f.Picture.Places.Any(p => p.Design == design && here.Contains(p.Ordinal))));
        return new([.. strip.Screens.Select(s => s.Row)], strip.Here, row.DrawnAt, rows, SumOf(plan), strip.Here.Become(files));
    }

    /// <summary>The sums over the whole pack.</summary>
    public static SumModel SumOf(PlannedPack plan)
    {
        var blockers = plan.Pack.Blockers.ToList();
        return new(plan.Pack.Pictures.Length, plan.Pack.Files.Length, Words.Weight(plan.Weight), blockers.Count,
            blockers.FirstOrDefault()?.Sentence, blockers.Count == 0 && plan.Pack.Pictures.Length > 0, plan.Pack.Files.Length - plan.FilesDrawn, plan.Pack.Findings.Length);
    }

    /// <summary>How the files are made, in short: <c>PNG WebP 80</c>.</summary>
    public static string MadeAs(IEnumerable<PlannedFile> files)
    {
        var formats = files.Where(f => !f.IsLinked).GroupBy(f => f.Format).ToDictionary(g => g.Key, g => g.Select(f => f.Ask.Format.Quality).FirstOrDefault(q => q is not null));
        return formats.Count == 0 ? "nothing"
            : string.Join(' ', Format.All.Where(formats.ContainsKey).Select(f => formats[f] is { } quality ? $"{f.Name} {quality}" : f.Name));
    }
}
