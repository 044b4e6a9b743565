using Kalypto.Application.Opening;
using Kalypto.Application.Packs;
using Kalypto.Web.Wording;

namespace Kalypto.Web.Models;

/// <summary>Everything that ships, over all screens.</summary>
public sealed record ShipsModel(IReadOnlyList<ShipCard> Cards, SumModel Sum)
{
    /// <summary>Puts it together.</summary>
    public static ShipsModel Of(Workspace workspace, PlannedPack plan)
    {
        var files = plan.Pack.Files.ToLookup(f => f.Picture.Ref);
        var findings = plan.Pack.Findings.ToLookup(f => f.Layer);
        return new([.. plan.Pack.Pictures.Select(p =>
        {
            var own = files[p.Ref].ToList();
            var (row, _) = workspace.FindDesign(p.Ref.Design)!.Value;
            return new ShipCard(p.Ref.Design, p.Ref.Ordinal, p.Name, p.Making.Kind, p.ScreenName, p.Places.Length, BenchModel.MadeAs(own), p.Making.FolderPath,
                p.Crop is { } crop ? Words.Size(crop.Box) : "–", own.Count, plan.WeightOf(own).Bytes, own.Count == 0 ? "–" : Words.Weight(plan.WeightOf(own)),
                $"/pictures/{workspace.Row.Id}/{p.Ref.Design}/layer/{p.Ref.Ordinal}.png?k={row.PictureKey}.{p.Key.Hex[..8]}", Links.Layer(workspace, p.Ref),
                findings[p.Ref].Select(f => f.Severity.ToString().ToLowerInvariant()).FirstOrDefault(), findings[p.Ref].Count());
        })], BenchModel.SumOf(plan));
    }
}
