using Kalypto.Store.People;
using Kalypto.Web.Doors;
using Kalypto.Web.Endpoints;
using Kalypto.Web.Models;
using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Kalypto.Web.Pages;

/// <summary>The audit log of the server: who did what about rights, links, deliveries and places?</summary>
[Authorize(Policy = nameof(Need.Keeper))]
public sealed class LogPage(AuditStore store) : PageModel
{
    /// <summary>The rows.</summary>
    public AuditModel Log { get; private set; } = null!;

    /// <summary>Shows it.</summary>
    public async Task OnGetAsync(string? sort, string? words, long? before, CancellationToken cancel)
    {
        ViewData["Title"] = "Log";
        Log = await AuditModel.OfAsync(store, AuditEndpoints.QueryOf(null, sort, words, before), "/log", cancel);
    }
}
