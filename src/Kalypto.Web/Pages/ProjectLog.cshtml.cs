using Kalypto.Application.Packs;
using Kalypto.Store.People;
using Kalypto.Web.Doors;
using Kalypto.Web.Endpoints;
using Kalypto.Web.Models;
using Microsoft.AspNetCore.Authorization;

namespace Kalypto.Web.Pages;

/// <summary>The audit log of a project.</summary>
[Authorize(Policy = nameof(Need.Owner))]
public sealed class ProjectLogPage(PlanPack plans, AuditStore store) : ProjectPage(plans, "Log")
{
    /// <summary>The rows.</summary>
    public AuditModel Log { get; private set; } = null!;

    /// <summary>Shows it.</summary>
    public async Task OnGetAsync(string? sort, string? words, long? before, CancellationToken cancel) =>
        Log = await AuditModel.OfAsync(store, AuditEndpoints.QueryOf(Workspace.Row.Id, sort, words, before), $"/projects/{Workspace.Row.Id}/log", cancel);
}
