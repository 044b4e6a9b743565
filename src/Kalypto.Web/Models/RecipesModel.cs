using Kalypto.Application.Opening;
using Kalypto.Application.Packs;
using Kalypto.Core.Formats;
using Kalypto.Core.Platforms;
using Kalypto.Web.Wording;

namespace Kalypto.Web.Models;

/// <summary>Everything that the recipes page shows.</summary>
public sealed record RecipesModel(
    IReadOnlyList<RecipeKind> Kinds, string All, string Copyright, string Author, string Contact, string Budget, bool ByScale, bool ByFormat, string Suffix, bool DrawingDecides,
    string ClassName, string KotlinPackage, string Namespace, bool IsWpf, SumModel Sum)
{
    /// <summary>Puts it together.</summary>
    public static RecipesModel Of(Workspace workspace, PlannedPack plan)
    {
        var book = workspace.Recipes;
        var layers = plan.Pack.Pictures.ToLookup(p => p.Making.Kind);
        var files = plan.Pack.Files.ToLookup(f => f.Picture.Making.Kind);
        return new(
            [.. book.AllKinds.Select(kind => new RecipeKind(
                kind, !Core.Tagging.Kinds.All.Contains(kind), book.Own.ContainsKey(kind), layers[kind].Count(), files[kind].Count(), Words.Weight(plan.WeightOf(files[kind])),
                book.KindBudgets.TryGetValue(kind, out var budget) ? Typed(budget) : "",
                [new(null, "everywhere", book.For(kind).Base.ToString(), true, true),
                    .. AllPlatforms.List.Select(p => new RecipeLine(p.Id, p.Name, book.For(kind).For.TryGetValue(p.Id, out var tags) ? tags.ToString() : "",
                        workspace.Platforms.Any(w => w.Id == p.Id), Core.Tagging.Kinds.AppIcon != kind))]))],
            book.All.ToString(), book.Credit.Copyright, book.Credit.Author, book.Credit.Contact, book.Budget is { } whole ? Typed(whole) : "",
            book.Layout.ByScale, book.Layout.ByFormat, book.Layout.ScaleSuffix, book.DrawingDecides,
            book.Code.ClassName, book.Code.KotlinPackage, book.Code.Namespace, book.Code.IsWpf, BenchModel.SumOf(plan));
    }

    private static string Typed(long bytes) => new Quality.Under(bytes).ToString()[1..];
}
