using System.Text.Json;
using Kalypto.Application.Opening;
using Kalypto.Application.Packs;
using Kalypto.Store;
using Kalypto.Web.Models;
using Microsoft.AspNetCore.Mvc;

namespace Kalypto.Web.Pages;

/// <summary>A whole drawing with the frames of its screens: how does it split?</summary>
public sealed class BoardPage(PlanPack plans) : ProjectPage(plans, "Screens")
{
    /// <summary>The design.</summary>
    public DesignRow Design { get; private set; } = null!;

    /// <summary>What the script shows.</summary>
    public string Json { get; private set; } = "";

    /// <summary>Shows it.</summary>
    public async Task<IActionResult> OnGetAsync(int design, CancellationToken cancel)
    {
        if (Workspace.FindDesign(design) is not var (row, _))
        {
            return NotFound();
        }
        Design = row;
        Json = JsonSerializer.Serialize(BoardModel.Of(Workspace, design, null), JsonSerializerOptions.Web);
        ViewData["Title"] = $"{row.Name} · Screens";
        ViewData["BodyClass"] = "full";
        return Page();
    }
}
