using System.Text.Json;
using Kalypto.Application.Opening;
using Kalypto.Application.Packs;
using Kalypto.Store;
using Kalypto.Web.Endpoints;
using Microsoft.AspNetCore.Mvc;

namespace Kalypto.Web.Pages;

/// <summary>Each build of the pack: what did they get, when?</summary>
public sealed class DeliveriesPage(PlanPack plans, BuildStore builds) : ProjectPage(plans, "Deliveries")
{
    /// <summary>The builds, for the script.</summary>
    public string Json { get; private set; } = "";

    /// <summary>Shows them.</summary>
    public async Task<IActionResult> OnGetAsync(CancellationToken cancel)
    {
        Json = JsonSerializer.Serialize(await PackEndpoints.BuildsAsync(builds, Workspace.Row.Id, cancel), JsonSerializerOptions.Web);
        return Page();
    }
}
