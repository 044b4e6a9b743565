using System.Text.Json;
using Kalypto.Application.Desk;
using Kalypto.Application.Packs;
using Kalypto.Core.Platforms;
using Kalypto.Store;
using Kalypto.Web.Models;
using Microsoft.AspNetCore.Mvc;

namespace Kalypto.Web.Pages;

/// <summary>Every file to come: what will the developers get, how heavy?</summary>
public sealed class PackPage(PlanPack plans, ScreenProofs proofs, ProvePictures pictures) : ProjectPage(plans, "Pack")
{
    /// <summary>What the page shows at first, for its script.</summary>
    public string Json { get; private set; } = "";

    /// <summary>The platforms there are.</summary>
    public IReadOnlyList<IPlatform> AllPlatforms { get; } = Core.Platforms.AllPlatforms.List;

    /// <summary>Shows it.</summary>
    public async Task<IActionResult> OnGetAsync(CancellationToken cancel)
    {
        var plan = await Plans.PlanAsync(Workspace, cancel);
        await Plans.DrawAheadAsync(Workspace, plan, DrawingQueue.Ahead, cancel);
        Json = JsonSerializer.Serialize(PackModel.Of(Workspace, plan, await PackProofs.OfAsync(proofs, pictures, Workspace, plan, cancel), new()), JsonSerializerOptions.Web);
        ViewData["BodyClass"] = "full";
        return Page();
    }
}
