using System.Text.Json;
using Kalypto.Application.Packs;
using Kalypto.Web.Models;
using Microsoft.AspNetCore.Mvc;

namespace Kalypto.Web.Pages;

/// <summary>Everything that ships, over all screens: is anything missing, is anything there twice?</summary>
public sealed class ShipsPage(PlanPack plans) : ProjectPage(plans, "Ships")
{
    /// <summary>What the script shows.</summary>
    public string Json { get; private set; } = "";

    /// <summary>Shows it.</summary>
    public async Task<IActionResult> OnGetAsync(CancellationToken cancel)
    {
        var plan = await Plans.PlanAsync(Workspace, cancel);
        Plans.DrawAheadSoon(Workspace, plan);
        Json = JsonSerializer.Serialize(ShipsModel.Of(Workspace, plan), JsonSerializerOptions.Web);
        return Page();
    }
}
