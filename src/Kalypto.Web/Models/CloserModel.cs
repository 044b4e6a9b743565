using Kalypto.Application.Opening;
using Kalypto.Application.Packs;
using Kalypto.Core.Formats;
using Kalypto.Core.Packing;

namespace Kalypto.Web.Models;

/// <summary>A file to look at closely, with those that it can be held against.</summary>
/// <param name="File">The file.</param>
/// <param name="Paths">Everywhere that it goes: equal pictures are made once.</param>
/// <param name="Ask">Its format and quality as a tag.</param>
/// <param name="Layer">The name of its picture.</param>
/// <param name="Link">The row of the layer on the bench.</param>
/// <param name="Others">The other files of the same picture.</param>
/// <param name="Points">The size of the picture in pt.</param>
/// <param name="Devices">Screens of 1x, 2x and 3x with the file that each takes.</param>
/// <param name="Drawn">A picture of it that every browser shows, for formats that none does.</param>
public sealed record CloserModel(DetailFile File, IReadOnlyList<string> Paths, string Ask, string Layer, string Link, IReadOnlyList<DetailFile> Others, double[] Points, string Drawn, IReadOnlyList<CloserDevice> Devices)
{
    private static readonly int[] Densities = [1, 2, 3];

    /// <summary>Puts it together; null when no planned file has this key.</summary>
    public static CloserModel? Of(Workspace workspace, PlannedPack plan, string key)
    {
        if (plan.Pack.Files.FirstOrDefault(f => f.Key.Hex == key) is not { } file)
        {
            return null;
        }
        var others = plan.Pack.Files.Where(f => f.Picture.Ref == file.Picture.Ref && f.IsLinked == file.IsLinked).DistinctBy(f => f.Key).OrderBy(f => Format.All.IndexOf(f.Format)).ThenBy(f => f.Width);
        var (row, _, _) = workspace.FindLayer(file.Picture.Ref.Design, file.Picture.Ref.Ordinal)!.Value;
        return new(DetailFile.Of(workspace.Row.Id, plan, file), [.. plan.Pack.Files.Where(f => f.Key == file.Key).Select(f => f.Path)], file.Ask.Format.ToString(), file.Picture.Name, Links.Layer(workspace, file.Picture.Ref), [.. others.Select(f => DetailFile.Of(workspace.Row.Id, plan, f))],
            [file.Ask.Source.Width, file.Ask.Source.Height], Links.LayerPicture(workspace.Row.Id, file.Picture.Ref, $"{row.PictureKey}.c"),
            [.. Densities.Select(d => Device(workspace, plan, file, d))]);
    }

    private static CloserDevice Device(Workspace workspace, PlannedPack plan, PlannedFile file, int density)
    {
        // Of the same platform and, where a browser shows it, the same format: what the developers would put there.
        var files = plan.Pack.Files.Where(f => f.Picture.Ref == file.Picture.Ref && f.Platform == file.Platform && f.BrowsersShow && !f.IsLinked && f.Format != Format.Ico
            && (!file.BrowsersShow || f.Format == file.Format));
        var taken = ScreenChoice.For(files, new(density));
        return new(density, taken is null ? null : DetailFile.Of(workspace.Row.Id, plan, taken), taken is { Format.IsVector: false } && taken.Scale < new Scale(density), taken is { Format.IsVector: true });
    }
}
