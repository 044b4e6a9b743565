using System.Text.Json;
using Kalypto.Application.Building;
using Kalypto.Application.Drafts;
using Kalypto.Application.Packs;
using Kalypto.Store;
using Kalypto.Web.Models;
using Microsoft.AspNetCore.Mvc;

namespace Kalypto.Web.Pages;

/// <summary>A draft against the one before: what did the drawing change, and is anything lost?</summary>
public sealed class ChangesPage(PlanPack plans, CompareDrafts compare, MovedFiles moved) : ProjectPage(plans, "Changes")
{
    /// <summary>The design.</summary>
    public DesignRow Design { get; private set; } = null!;

    /// <summary>What the script shows.</summary>
    public string Json { get; private set; } = "";

    /// <summary>Shows it.</summary>
    public async Task<IActionResult> OnGetAsync(int design, int? with, CancellationToken cancel)
    {
        if (Workspace.FindDesign(design) is not var (row, state))
        {
            return NotFound();
        }
        Design = row;
        ViewData["BodyClass"] = "full";
        ViewData["Changes"] = $"/projects/{Workspace.Row.Id}/designs/{design}/changes";
        var plan = await Plans.PlanAsync(Workspace, cancel);
        Json = JsonSerializer.Serialize(ChangesModel.Of(Workspace, await compare.RunAsync(row, state, with, cancel), plan, await moved.FindAsync(Workspace, plan, cancel)), JsonSerializerOptions.Web);
        return Page();
    }
}
