using Kalypto.Application.Packs;
using Kalypto.Store;
using Kalypto.Web.Doors;
using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Mvc;

namespace Kalypto.Web.Pages;

/// <summary>An address that stays: always the plates of the newest delivery.</summary>
[Authorize(Policy = nameof(Need.Guest))]
[OfNewestDelivery]
public sealed class NewestHandoverPage(PlanPack plans, BuildStore builds) : ProjectPage(plans, "Plates")
{
    /// <summary>Leads on; while there is none, says so to those who cannot make one.</summary>
    public async Task<IActionResult> OnGetAsync(CancellationToken cancel) => Entry.Access.Delivery is { } one ? one == 0 ? Page() : LeadTo(one) : (await builds.DeliveriesAsync(Workspace.Row.Id, cancel)) is [{ Number: { } newest }, ..]
        ? LeadTo(newest) : IsDesigner ? Redirect($"/projects/{Workspace.Row.Id}/deliveries") : Page();

    private RedirectResult LeadTo(int number) => Redirect($"/projects/{Workspace.Row.Id}/deliveries/{number}/{(Role == Role.Guest ? "device" : "plates")}");
}
