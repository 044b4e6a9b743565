using System.Collections.Immutable;
using Kalypto.Application.BringingIn;
using Kalypto.Application.Desk;
using Kalypto.Application.Opening;
using Kalypto.Application.Packs;
using Kalypto.Core.Designs;
using Kalypto.Core.Typography;
using Kalypto.Store;
using Kalypto.Web.Models;
using Microsoft.AspNetCore.Mvc;

namespace Kalypto.Web.Pages;

/// <summary>The wall of all screens: do I have the right ones?</summary>
public sealed class ScreensModel(PlanPack plans, WaitingDraft waiting, InboxStore inbox, InboxOptions inboxOptions, LibraryStore library, DrawingDesk desk) : ProjectPage(plans, "Screens")
{
    private Dictionary<int, LibraryStore.Link> links = [];
    private ILookup<(int Design, int Root), int> files = Array.Empty<int>().ToLookup(_ => (0, 0));

    /// <summary>Files of the inbox that were not brought in, and why.</summary>
    public IReadOnlyList<(string File, string Message)> Refusals { get; private set; } = [];

    /// <summary>The folders of the inbox that belong to the project.</summary>
    public IReadOnlyList<string> InboxFolders { get; private set; } = [];

    /// <summary>True when there is an inbox at all.</summary>
    public bool HasInbox => inboxOptions.Folders.Count > 0;

    /// <summary>The families that the texts ask for.</summary>
    public ImmutableArray<FontUse> Fonts { get; private set; } = [];

    /// <summary>Where a design was taken from; null for one that somebody brought.</summary>
    public LibraryStore.Link? LinkOf(DesignRow design) => links.GetValueOrDefault(design.Id);

    /// <summary>How many files come of a screen; what is made once for several places counts where it is made.</summary>
    public int FilesOf(ScreenModel screen) => files[(screen.Design, screen.Root)].Count();

    /// <summary>True when a newer drawing of a design of the demo waits.</summary>
    public bool IsWaiting(DesignRow design) => waiting.IsWaiting(design);

    /// <summary>Shows it.</summary>
    public async Task<IActionResult> OnGetAsync(CancellationToken cancel)
    {
        Refusals = await inbox.RefusalsAsync(Workspace.Row.Id, cancel);
        InboxFolders = HasInbox ? await inbox.FoldersAsync(Workspace.Row.Id, cancel) : [];
        links = (await library.LinksAsync(Workspace.Row.Id, cancel)).ToDictionary(l => l.Design);
        Fonts = FontUses.Of(Workspace.States, desk.StandInFor);
        var plan = await Plans.PlanAsync(Workspace, cancel);
        files = plan.Pack.Files.Select((f, i) => (Screen: ScreenOf(f.Picture.Ref), i)).ToLookup(f => f.Screen, f => f.i);
        return Page();
    }

    private (int Design, int Root) ScreenOf(LayerRef layer) =>
        Workspace.FindLayer(layer.Design, layer.Ordinal) is var (_, state, node) ? (layer.Design, state.Measured.ScreenOf(node)?.Root.Ordinal ?? -1) : (0, -1);
}
