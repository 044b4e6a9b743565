using Kalypto.Application.Opening;
using Kalypto.Application.Packs;
using Kalypto.Core.Deciding;
using Kalypto.Core.Designs;
using Kalypto.Core.Packing;
using Kalypto.Core.Platforms;
using Kalypto.Core.Tagging;
using Kalypto.Web.Wording;

namespace Kalypto.Web.Models;

/// <summary>What an opened row shows: the picture at every scale, the files, and which value holds and whence.</summary>
public sealed record LayerDetail(
    string? Why, bool IsCut, double[]? Shape, double[]? Corner, double[]? Crop, bool CropIsFixed, string? Credit, IReadOnlyList<HeldValue> Values, IReadOnlyList<string> Paths,
    IReadOnlyList<DetailFile> Scales, IReadOnlyList<DetailFile> Files, IReadOnlyList<PlatformName> Names,
    IReadOnlyList<DetailPlace> Places, IReadOnlyList<DetailPlace> States, string Contents, string OfferedName, string Exactly)
{
    private const int MostPlaces = 40;

    /// <summary>Puts it together.</summary>
    public static LayerDetail Of(Workspace workspace, PlannedPack plan, LayerRef layer)
    {
        var state = workspace.States.First(d => d.Id == layer.Design);
        var node = state.Measured.Drawing.Layers[layer.Ordinal];
        var picture = plan.Index.Pictures.GetValueOrDefault(layer) ?? plan.Planner.PictureOf(state, node, platforms: workspace.Platforms);
        var files = plan.Pack.Files.Where(f => (f.Picture.PartOf ?? f.Picture.Ref) == (picture.PartOf is null ? picture.Ref : layer) || f.Picture.PartOf == layer).ToList();
        return new(
            picture.Crop?.Why, picture.Crop?.Cut == true, NumbersOf(state.PointsOf(node)), state.PointsOf(node) is { } own && Core.Packing.Crop.CornerOf(own) is var (left, top) ? [left, top] : null, NumbersOf(picture.Crop?.Box), picture.Making.Crop is CropKind.Fixed,
            files.Any(f => !f.Credit.IsEmpty) ? files.First(f => !f.Credit.IsEmpty).Credit.ToString() : null, HeldValues.Of(workspace, state, node),
            [.. files.GroupBy(f => f.Platform).SelectMany(g => PathsOf([.. g.OrderBy(f => f.Scale).Select(f => f.Path)]))],
            [.. TrueSizes(files).Select(f => DetailFile.Of(workspace.Row.Id, plan, f))], [.. files.Select(f => DetailFile.Of(workspace.Row.Id, plan, f))],
            [.. workspace.Platforms.Select(p => new PlatformName(p.Name, p.NameOf(picture)))],
            [.. workspace.Repeats.PlacesOf(layer).Take(MostPlaces).Select(r => Place(workspace, r, r == layer, null))],
            state.States.TryGetValue(node, out var set) ? [.. set.Members.Select(m => Place(workspace, new(layer.Design, m.Layer.Ordinal), m.Layer == node, m.State))] : [],
            HowMuch(state.Measured.Contents[node.Ordinal]),
            workspace.Platforms.TakenByAll(NameSuggestions.Of(state, node, picture.Making.Kind)),
            string.Join(", ", picture.Exactly));
    }

    /// <summary>One file of every size, of the platform that has most of them, in a format that a browser shows.</summary>
    private static IEnumerable<PlannedFile> TrueSizes(List<PlannedFile> files) => files.Where(f => f.BrowsersShow && !f.IsLinked && f.Format != Core.Formats.Format.Ico)
        .GroupBy(f => f.Platform).OrderByDescending(g => g.DistinctBy(f => f.Width).Count()).FirstOrDefault()?.OrderBy(f => f.Scale).DistinctBy(f => f.Width) ?? [];

    private static double[]? NumbersOf(Box? box) => box is { } b ? [Math.Round(b.X, 2), Math.Round(b.Y, 2), Math.Round(b.Width, 2), Math.Round(b.Height, 2)] : null;

    private static DetailPlace Place(Workspace workspace, LayerRef layer, bool here, string? label)
    {
        var (row, state, node) = workspace.FindLayer(layer.Design, layer.Ordinal)!.Value;
        var screen = state.Measured.ScreenOf(node);
        return new(label ?? $"{state.NameOf(node)} on {screen?.Name ?? "no screen"}", Links.Layer(workspace, layer),
            Links.LayerPicture(workspace.Row.Id, layer, $"{row.PictureKey}.s"), here);
    }

    private static string HowMuch(LayerContents contents) => string.Join(", ",
        new[] { (contents.Shapes, "shape"), (contents.Texts, "text"), (contents.Pictures, "picture") }.Where(c => c.Item1 > 0).Select(c => Words.Count(c.Item1, c.Item2)));

    /// <summary>Paths in short: the folder once with its files, or the file once with its folders.</summary>
    private static IEnumerable<string> PathsOf(IReadOnlyList<string> paths)
    {
        var parts = paths.Select(p => (Folder: p[..p.LastIndexOf('/')], Name: p[(p.LastIndexOf('/') + 1)..])).ToList();
        if (parts.Count > 1 && parts.DistinctBy(p => p.Name).Count() == 1)
        {
            var above = parts[0].Folder[..(parts[0].Folder.LastIndexOf('/') + 1)];
            yield return $"{above}{{{string.Join(", ", parts.Select(p => p.Folder[above.Length..]))}}}/{parts[0].Name}";
            yield break;
        }
        foreach (var folder in parts.GroupBy(p => p.Folder))
        {
            yield return $"{folder.Key}/ {string.Join(" · ", folder.Select(p => p.Name))}";
        }
    }
}
