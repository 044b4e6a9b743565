using System.Text.Json;
using Kalypto.Application.Opening;
using Kalypto.Application.Packs;
using Kalypto.Store;
using Kalypto.Web.Models;
using Microsoft.AspNetCore.Mvc;

namespace Kalypto.Web.Pages;

/// <summary>One file of the pack, pixel by pixel, and held against another.</summary>
public sealed class CloserPage(PlanPack plans) : ProjectPage(plans, "Pack")
{
    /// <summary>What the page shows at first, for its script.</summary>
    public string Json { get; private set; } = "";

    /// <summary>The file.</summary>
    public CloserModel Closer { get; private set; } = null!;

    /// <summary>What it can be held against, as typed.</summary>
    public IReadOnlyList<string> Offers { get; } = ["png", "png8", "jpeg:82", "jpeg:auto", "webp:80", "webp:auto", "webp:lossless", "avif:60", "avif:auto", "gif", "svg"];

    /// <summary>Shows it.</summary>
    public async Task<IActionResult> OnGetAsync(string key, CancellationToken cancel)
    {
        var plan = await Plans.PlanAsync(Workspace, cancel);
        if (CloserModel.Of(Workspace, plan, key) is not { } model)
        {
            // The layer was changed meanwhile, so that the file has another key.
            return Redirect($"/projects/{Workspace.Row.Id}/pack");
        }
        await Plans.LookAtAsync(Workspace, plan.Pack.Files.Where(f => model.Others.Any(o => o.Key == f.Key.Hex) && !f.Picture.CropIsGuess), DrawingQueue.Looked, cancel);
        Closer = model;
        Json = JsonSerializer.Serialize(model, JsonSerializerOptions.Web);
        ViewData["BodyClass"] = "full";
        return Page();
    }
}
