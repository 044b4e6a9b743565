using System.Text.Json;
using Kalypto.Application.Packs;
using Kalypto.Application.Pages;
using Kalypto.Web.Endpoints;
using Kalypto.Web.Models;
using Microsoft.AspNetCore.Mvc;

namespace Kalypto.Web.Pages;

/// <summary>A screen built as HTML and CSS beside its drawing: what would it be in a browser?</summary>
public sealed class PageViewPage(PlanPack plans, OpenPages pages) : ProjectPage(plans, "Page")
{
    /// <summary>What the script needs.</summary>
    public string Json { get; private set; } = "";

    /// <summary>The name of the screen.</summary>
    public string Screen { get; private set; } = "";

    /// <summary>The screens of the project with their addresses here.</summary>
    public IReadOnlyList<(string Name, string Href, bool IsHere)> Screens { get; private set; } = [];

    /// <summary>Shows it; without a screen, the first.</summary>
    public async Task<IActionResult> OnGetAsync(int? design, int? screen, CancellationToken cancel)
    {
        string Href(int d, int root) => $"/projects/{Workspace.Row.Id}/page/{d}/{root}";
        if (design is not { } of || screen is not { } at)
        {
            return Workspace.Designs is [var first, ..] ? Redirect(Href(first.Row.Id, first.State.Measured.Drawing.Screens[0].Root.Ordinal)) : Redirect($"/projects/{Workspace.Row.Id}");
        }
        if (Workspace.FindScreen(of, at) is not var (_, _, shown) || await pages.NowAsync(Workspace, of, at, cancel) is not { } page)
        {
            return NotFound();
        }
        ViewData["BodyClass"] = "full";
        Screen = shown.Name;
        Screens = [.. Workspace.Designs.SelectMany(d => d.State.Measured.Drawing.Screens.Select(s => (s.Name, Href(d.Row.Id, s.Root.Ordinal), d.Row.Id == of && s.Root.Ordinal == at)))];
        Json = JsonSerializer.Serialize(PageSheet.Of(Workspace, of, shown, page, PageEndpoints.DrawnAt(Entry, of, shown)), JsonSerializerOptions.Web);
        return Page();
    }
}
