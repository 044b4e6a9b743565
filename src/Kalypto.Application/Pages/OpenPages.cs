using System.Collections.Concurrent;
using System.Globalization;
using System.Runtime.CompilerServices;
using Kalypto.Application.Desk;
using Kalypto.Application.Fonts;
using Kalypto.Application.Opening;
using Kalypto.Application.Packs;
using Kalypto.Core.Packing;
using Kalypto.Store;

namespace Kalypto.Application.Pages;

/// <summary>Opens screens as pages to be looked at: as they would come of a plan.</summary>
public sealed class OpenPages(ComposePage compose, PairedScreens paired, PlanPack plans, DrawingDesk desk, DrawingStore store, WordFonts fonts)
{
    // Pages of a plan, which is another one once anything changes.
    private readonly ConditionalWeakTable<PlannedPack, ConcurrentDictionary<(int Design, int Root), Task<ComposedPage?>>> known = [];

    /// <summary>A screen of a project as it would come now; null when there is no such screen.</summary>
    public async Task<ComposedPage?> NowAsync(Workspace workspace, int design, int root, CancellationToken cancel)
    {
        var plan = await plans.PlanAsync(workspace, cancel);
        return await PageAsync(plan, workspace, plan.Pack.Files, design, root).WaitAsync(cancel);
    }

    /// <summary>A file beside a page that would come now, with its media type; null when there is none of that path. One that is not drawn yet is drawn first.</summary>
    public async Task<(Stream Content, string MediaType)?> FileAsync(Workspace workspace, ComposedPage page, string path, CancellationToken cancel)
    {
        if (page.Files.FirstOrDefault(f => f.Path == path) is not { } file)
        {
            return null;
        }
        return file.Planned is { } planned ? await DrawnAsync(workspace, planned, cancel) is { } bytes ? (new MemoryStream(bytes), planned.Format.MediaType) : null : await OtherAsync(workspace, file, cancel);
    }

    /// <summary>A screen of a plan as a page; null when there is no such screen.</summary>
    /// <param name="plan">The plan; another one once anything changes.</param>
    /// <param name="workspace">The project that was planned.</param>
    /// <param name="files">The files of the plan that are there or will be.</param>
    /// <param name="design">The design.</param>
    /// <param name="root">The layer that stands for the screen.</param>
    public Task<ComposedPage?> PageAsync(PlannedPack plan, Workspace workspace, IEnumerable<PlannedFile> files, int design, int root)
    {
        var pages = known.GetOrCreateValue(plan);
        var page = pages.GetOrAdd((design, root), _ => ComposeAsync(workspace, [.. files], design, root));
        if (page.IsFaulted)
        {
            pages.TryRemove((design, root), out _);
        }
        return page;
    }

    private async Task<ComposedPage?> ComposeAsync(Workspace workspace, IReadOnlyCollection<PlannedFile> files, int design, int root)
    {
        Task<ComposedPage?> OfAsync(int at) => compose.RunAsync(workspace, files, design, at, (d, s) => string.Create(CultureInfo.InvariantCulture, $"../../{(d == design ? "" : $"../{d}/")}{s.Root.Ordinal}/clean/"), CancellationToken.None);
        var page = await OfAsync(root);
        return page is not null && (await paired.OfAsync(workspace, files, CancellationToken.None)).TryGetValue((design, root), out var narrow) && await OfAsync(narrow.Root) is { } less ? page.With(less) : page;
    }

    /// <summary>A file beside a page that is none of the pack: a drawing or a font.</summary>
    public async Task<(Stream Content, string MediaType)?> OtherAsync(Workspace workspace, PageFile file, CancellationToken cancel) =>
        file.Drawing is var (bytes, type) ? (new MemoryStream(bytes), type)
        : file.Font is var (sha256, drawn) && await fonts.OpenAsync(Core.Fonts.FontBook.Read(workspace.Row.Fonts), drawn, sha256, cancel) is { } font ? (font, "font/ttf") : null;

    private async Task<byte[]?> DrawnAsync(Workspace workspace, PlannedFile file, CancellationToken cancel)
    {
        var isAsked = false;
        while (true)
        {
            var change = desk.Changed;
            if ((await desk.DrawnAsync([file.Key.Hex], cancel)).GetValueOrDefault(file.Key.Hex) is { } row)
            {
                return row.Sha256 is null ? null : await store.BytesAsync(file.Key.Hex, cancel);
            }
            if (!isAsked)
            {
                isAsked = true;
                await plans.LookAtAsync(workspace, [file], DrawingQueue.Looked, cancel);
            }
            await change.WaitAsync(cancel);
        }
    }
}
