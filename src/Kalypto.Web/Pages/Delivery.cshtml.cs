using System.Text.Json;
using Kalypto.Application.Building;
using Kalypto.Application.Packs;
using Kalypto.Store;
using Kalypto.Web.Doors;
using Kalypto.Web.Endpoints;
using Kalypto.Web.Models;
using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Mvc;

namespace Kalypto.Web.Pages;

/// <summary>One delivery beside another: what did they get, and what differs?</summary>
[Authorize(Policy = nameof(Need.Developer))]
public sealed class DeliveryPage(PlanPack plans, Deliveries deliveries, BuildStore builds) : ProjectPage(plans, "Deliveries")
{
    /// <summary>What the script shows.</summary>
    public string Json { get; private set; } = "";

    /// <summary>Shows it.</summary>
    public async Task<IActionResult> OnGetAsync(int number, int? with, CancellationToken cancel)
    {
        if (await deliveries.CompareAsync(Workspace.Row.Id, number, Entry.Access.Delivery is null ? with : 0, cancel) is not { } compared)
        {
            return NotFound();
        }
        ViewData["BodyClass"] = "full";
        Json = JsonSerializer.Serialize(DeliveryModel.Of(compared, await DeliveryEndpoints.ShownAsync(Entry, builds, cancel)), JsonSerializerOptions.Web);
        return Page();
    }
}
