using System.Text.Json;
using Kalypto.Application.Packs;
using Kalypto.Web.Models;
using Microsoft.AspNetCore.Mvc;

namespace Kalypto.Web.Pages;

/// <summary>All findings of a project: what must be settled, and what is worth a look?</summary>
public sealed class ChecksPage(PlanPack plans) : ProjectPage(plans, "Findings")
{
    /// <summary>What the script shows.</summary>
    public string Json { get; private set; } = "";

    /// <summary>Shows them.</summary>
    public async Task<IActionResult> OnGetAsync(CancellationToken cancel)
    {
        Json = JsonSerializer.Serialize(ChecksModel.Of(Workspace, await Plans.PlanAsync(Workspace, cancel)), JsonSerializerOptions.Web);
        return Page();
    }
}
