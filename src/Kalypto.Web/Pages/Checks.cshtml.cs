using System.Text.Json;
using Kalypto.Web.Models;
using Kalypto.Web.UseCases;
using Microsoft.AspNetCore.Mvc;

namespace Kalypto.Web.Pages;

/// <summary>All findings of a project: what must be settled, and what is worth a look?</summary>
public sealed class ChecksPage(OpenProject open) : ProjectPage(open)
{
    /// <summary>What the script shows.</summary>
    public string Json { get; private set; } = "";

    /// <summary>Shows them.</summary>
    public async Task<IActionResult> OnGetAsync(int project, CancellationToken cancel)
    {
        if (await OpenAsync(project, "Findings", cancel) is { } answer)
        {
            return answer;
        }
        Json = JsonSerializer.Serialize(ChecksModel.Of(Workspace, await Open.PlanAsync(Workspace, cancel)), JsonSerializerOptions.Web);
        return Page();
    }
}
