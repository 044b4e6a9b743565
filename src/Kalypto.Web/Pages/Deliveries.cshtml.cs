using System.Text.Json;
using Kalypto.Application.Packs;
using Kalypto.Store;
using Kalypto.Web.Doors;
using Kalypto.Web.Endpoints;
using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Mvc;

namespace Kalypto.Web.Pages;

/// <summary>Each build of the pack: what did they get, when?</summary>
[Authorize(Policy = nameof(Need.Developer))]
[OfNewestDelivery]
public sealed class DeliveriesPage(PlanPack plans, BuildStore builds) : ProjectPage(plans, "Deliveries")
{
    /// <summary>The builds, for the script.</summary>
    public string Json { get; private set; } = "";

    /// <summary>Shows them.</summary>
    public async Task<IActionResult> OnGetAsync(CancellationToken cancel)
    {
        Json = JsonSerializer.Serialize(await PackEndpoints.BuildsAsync(Entry, builds, cancel), JsonSerializerOptions.Web);
        return Page();
    }
}
