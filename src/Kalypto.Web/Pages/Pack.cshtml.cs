using System.Text.Json;
using Kalypto.Core.Platforms;
using Kalypto.Store;
using Kalypto.Web.Models;
using Kalypto.Web.UseCases;
using Microsoft.AspNetCore.Mvc;

namespace Kalypto.Web.Pages;

/// <summary>Every file to come: what will the developers get, how heavy?</summary>
public sealed class PackPage(OpenProject open) : ProjectPage(open)
{
    /// <summary>What the page shows at first, for its script.</summary>
    public string Json { get; private set; } = "";

    /// <summary>The platforms there are.</summary>
    public IReadOnlyList<IPlatform> AllPlatforms { get; } = Core.Platforms.AllPlatforms.List;

    /// <summary>Shows it.</summary>
    public async Task<IActionResult> OnGetAsync(int project, CancellationToken cancel)
    {
        if (await OpenAsync(project, "Pack", cancel) is { } answer)
        {
            return answer;
        }
        var plan = await Open.PlanAsync(Workspace, cancel);
        await Open.DrawAheadAsync(Workspace, plan, DrawingQueue.Ahead, cancel);
        Json = JsonSerializer.Serialize(PackModel.Of(Workspace, plan, new()), JsonSerializerOptions.Web);
        ViewData["BodyClass"] = "full";
        return Page();
    }
}
