using Kalypto.Application.Opening;
using Kalypto.Application.Packs;
using Kalypto.Core.Designs;
using Kalypto.Web.Models;
using Microsoft.AspNetCore.Mvc;

namespace Kalypto.Web.Pages;

/// <summary>The wall of all screens: do I have the right ones?</summary>
public sealed class ScreensModel(PlanPack plans) : ProjectPage(plans, "Screens")
{
    private ILookup<(int Design, int Root), int> files = Array.Empty<int>().ToLookup(_ => (0, 0));

    /// <summary>How many files come of a screen; what is made once for several places counts where it is made.</summary>
    public int FilesOf(ScreenModel screen) => files[(screen.Design, screen.Root)].Count();

    /// <summary>Shows it.</summary>
    public async Task<IActionResult> OnGetAsync(CancellationToken cancel)
    {
        var plan = await Plans.PlanAsync(Workspace, cancel);
        files = plan.Pack.Files.Select((f, i) => (Screen: ScreenOf(f.Picture.Ref), i)).ToLookup(f => f.Screen, f => f.i);
        return Page();
    }

    private (int Design, int Root) ScreenOf(LayerRef layer) =>
        Workspace.FindLayer(layer.Design, layer.Ordinal) is var (_, state, node) ? (layer.Design, state.Measured.ScreenOf(node)?.Root.Ordinal ?? -1) : (0, -1);
}
