using Kalypto.Core.Packing;
using Kalypto.Web.UseCases;

namespace Kalypto.Web.Models;

/// <summary>Everything that the pack page shows.</summary>
public sealed record PackModel(IReadOnlyList<PackFolder> Folders, SumModel Sum, int SideFiles, string? Heaviest, IReadOnlyList<FindingModel> Findings)
{
    /// <summary>Puts it together.</summary>
    public static PackModel Of(Workspace workspace, PlannedPack plan)
    {
        var paths = plan.Pack.Files.Select(f => f.Path).Concat(plan.Pack.SideFiles.Select(f => f.Path)).ToList();
        var folders = paths.SelectMany(FoldersAbove).Append("").Distinct().Order(StringComparer.Ordinal).ToList();
        var filesIn = plan.Pack.Files.ToLookup(f => FolderOf(f.Path));
        var sidesIn = plan.Pack.SideFiles.ToLookup(f => FolderOf(f.Path));
        // An image set is one picture, not a folder to look into.
        var shown = folders.Where(f => !f.EndsWith(".imageset", StringComparison.Ordinal)).ToList();
        var models = shown.Select(folder =>
        {
            var below = plan.Pack.Files.Where(f => folder.Length == 0 || f.Path.StartsWith(folder + "/", StringComparison.Ordinal)).ToList();
            var sets = folders.Where(f => f.EndsWith(".imageset", StringComparison.Ordinal) && FolderOf(f) == folder);
            var here = filesIn[folder].Concat(sets.SelectMany(s => filesIn[s])).GroupBy(f => f.Picture);
            return new PackFolder(
                folder, folder.Length == 0 ? "the whole pack" : folder[(folder.LastIndexOf('/') + 1)..], folder.Length == 0 ? 0 : folder.Count(c => c == '/') + 1,
                below.Count, Words.Weight(plan.WeightOf(below)),
                [.. here.Select(g => Card(workspace, plan, g.Key, g.OrderBy(f => f.Scale)))],
                [.. sidesIn[folder].Concat(sets.SelectMany(s => sidesIn[s])).Select(s => s.Path[(folder.Length == 0 ? 0 : folder.Length + 1)..]), .. folder.Length == 0 ? ["manifest.json"] : Array.Empty<string>()]);
        }).ToList();
        var heaviest = plan.Pack.Files.OrderByDescending(f => plan.WeightOf(f).Bytes).FirstOrDefault();
        return new(models, BenchModel.SumOf(plan), plan.Pack.SideFiles.Length + 1,
            heaviest is null ? null : $"{heaviest.Path} {Words.Weight(plan.WeightOf(heaviest))}", [.. plan.Pack.Findings.Select(FindingModel.Of)]);
    }

    private static PackCard Card(Workspace workspace, PlannedPack plan, Picture picture, IEnumerable<PlannedFile> files)
    {
        var list = files.ToList();
        return new(
            picture.Name, picture.Places.Length > 1 ? $"{picture.ScreenName} and {Words.Count(picture.Places.Length - 1, "other place")}" : picture.ScreenName,
            Links.Layer(workspace, picture.Ref),
            [.. list.Select(f => new PackFile(f.Path[(f.Path.LastIndexOf('/') + 1)..], $"{f.Width}×{f.Height}", Words.Weight(plan.WeightOf(f)),
                plan.WeightOf(f).IsEstimate, plan.Drawn.GetValueOrDefault(f.Key.Hex)?.Failure))],
            [.. list.Where(f => plan.Drawn.TryGetValue(f.Key.Hex, out var row) && row.Sha256 is not null).Take(3).Select(f => $"/pictures/files/{f.Key.Hex}.png")]);
    }

    private static string FolderOf(string path) => path.Contains('/', StringComparison.Ordinal) ? path[..path.LastIndexOf('/')] : "";

    private static IEnumerable<string> FoldersAbove(string path)
    {
        for (var folder = FolderOf(path); folder.Length > 0; folder = FolderOf(folder))
        {
            yield return folder;
        }
    }
}
