using Kalypto.Application.Packs;
using Kalypto.Store;
using Microsoft.AspNetCore.Mvc;

namespace Kalypto.Web.Pages;

/// <summary>An address that stays: always the plates of the newest delivery.</summary>
public sealed class NewestHandoverPage(PlanPack plans, BuildStore builds) : ProjectPage(plans, "Plates")
{
    /// <summary>Leads on; while there is none, says so to those who cannot make one.</summary>
    public async Task<IActionResult> OnGetAsync(CancellationToken cancel) => (await builds.DeliveriesAsync(Workspace.Row.Id, cancel)) is [{ Number: { } newest }, ..]
        ? Redirect($"/projects/{Workspace.Row.Id}/deliveries/{newest}/{(Role == Role.Guest ? "device" : "plates")}") : IsDesigner ? Redirect($"/projects/{Workspace.Row.Id}/deliveries") : Page();
}
