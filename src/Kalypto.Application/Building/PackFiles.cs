using System.Text;
using Kalypto.Application.Fonts;
using Kalypto.Application.Opening;
using Kalypto.Application.Packs;
using Kalypto.Application.Pages;
using Kalypto.Core.Comparing;
using Kalypto.Core.Fonts;
using Kalypto.Core.Formats;
using Kalypto.Core.Packing;
using Kalypto.Core.Platforms;
using Kalypto.Core.Platforms.Web;
using Kalypto.Store;

namespace Kalypto.Application.Building;

/// <summary>The files of a delivery: its pictures, and what is written of them beside them.</summary>
public sealed class PackFiles(IBlobs blobs, PagesOfPack pages, WordFonts fonts)
{
    /// <summary>Puts them together; side files are made and kept here.</summary>
    /// <param name="workspace">The project.</param>
    /// <param name="plan">Its plan, of which every file of the part is drawn or could not be.</param>
    /// <param name="smaller">What was written smaller, by the key of the file.</param>
    /// <param name="part">The pictures that are built.</param>
    /// <param name="isJust">True for who wants just these files.</param>
    /// <param name="cancel">Ends it.</param>
    /// <returns>The files, and how many pictures could not be made.</returns>
    public async Task<(List<DeliveredFile> Files, int Missing)> OfAsync(Workspace workspace, PlannedPack plan, Dictionary<string, DrawingRow> smaller, List<PlannedFile> part, bool isJust, CancellationToken cancel)
    {
        var built = new List<BuiltFile>();
        var missing = new List<(PlannedFile, string)>();
        foreach (var file in part)
        {
            // What could not be made smaller is delivered as it was drawn.
            var row = smaller.TryGetValue(file.Key.Hex, out var small) && small.Sha256 is not null ? small : plan.Drawn[file.Key.Hex];
            if (row.Sha256 is { } sha256)
            {
                built.Add(new(file, row.Weight, sha256));
            }
            else
            {
                missing.Add((file, row.Failure ?? "It could not be drawn."));
            }
        }
        var pictures = built.Select(b => b.File).ToList();
        var identities = FileIdentity.Of(pictures, layer => workspace.FindDesign(layer.Design)!.Value.Row.Lineages.Of(layer.Ordinal));
        var files = built.Select((b, i) => new DeliveredFile(identities[i], isJust ? b.File.Path[(AllPlatforms.Plain.Id.Length + 1)..] : b.File.Path, b.Sha256, b.Bytes)
        {
            Platform = b.File.Platform,
            Kind = b.File.Picture.Making.Kind,
            Layer = b.File.Picture.LayerName,
            Screen = b.File.Picture.ScreenName,
            Width = b.File.Width,
            Height = b.File.Height,
        }).ToList();
        // Who wants just some files gets just those.
        if (isJust)
        {
            return (files, missing.Count);
        }
        // What goes with the pictures names only those that are there, and is made of them as they were made.
        var written = new Dictionary<PlannedFile, string>();
        foreach (var file in built.Where(b => b.File.Platform == "web" && b.File.Format == Format.Svg))
        {
            written[file.File] = await TextAsync(file.Sha256, cancel);
        }
        var sides = new List<WrittenFile>();
        foreach (var side in plan.Pack.SideFilesOf([.. built.Select(b => b.File)], file => written[file]))
        {
            sides.Add(await KeepAsync(side.Platform, side.Path, side.Bytes()));
        }
        // Pages are of the whole project: a part of it has the pictures alone.
        var onPages = built.Select(b => b.File).Where(f => f.Platform == PagePlatform.PlatformId).ToList();
        if (onPages.Count > 0 && onPages.Count + missing.Count(m => m.Item1.Platform == PagePlatform.PlatformId) == plan.Pack.Files.Count(f => f.Platform == PagePlatform.PlatformId))
        {
            foreach (var beside in await pages.WriteAsync(workspace, onPages, cancel))
            {
                await using var font = beside.Font is var (sha256, drawn) ? await fonts.OpenAsync(FontBook.Read(workspace.Row.Fonts), drawn, sha256, cancel) : null;
                if (beside.Bytes is not null || font is not null)
                {
                    sides.Add(await KeepAsync(PagePlatform.PlatformId, $"page/{beside.Path}", beside.Bytes ?? await BytesAsync(font!, cancel)));
                }
            }
        }
        await KeepAsync("", "manifest.json", Manifest.Write(workspace.Row.Name, built, missing, sides));
        return (files, missing.Count);

        async Task<WrittenFile> KeepAsync(string platform, string path, byte[] bytes)
        {
            using var content = new MemoryStream(bytes, writable: false);
            var sha256 = await blobs.PutAsync(content, cancel);
            files.Add(new(FileIdentity.OfSide(path, pictures, identities), path, sha256, bytes.Length) { Platform = platform });
            return new(platform, path, bytes.Length, sha256);
        }
    }

    private static async Task<byte[]> BytesAsync(Stream stream, CancellationToken cancel)
    {
        using var all = new MemoryStream();
        await stream.CopyToAsync(all, cancel);
        return all.ToArray();
    }

    private async Task<string> TextAsync(string sha256, CancellationToken cancel)
    {
        await using var stream = await blobs.OpenAsync(sha256, cancel) ?? throw new InvalidOperationException($"{sha256} is gone from the store.");
        using var reader = new StreamReader(stream, Encoding.UTF8);
        return await reader.ReadToEndAsync(cancel);
    }
}
