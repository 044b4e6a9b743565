using System.Text.Json;
using Kalypto.Web.Models;
using Kalypto.Web.UseCases;
using Microsoft.AspNetCore.Mvc;

namespace Kalypto.Web.Pages;

/// <summary>Everything that ships, over all screens: is anything missing, is anything there twice?</summary>
public sealed class ShipsPage(OpenProject open) : ProjectPage(open)
{
    /// <summary>What the script shows.</summary>
    public string Json { get; private set; } = "";

    /// <summary>Shows it.</summary>
    public async Task<IActionResult> OnGetAsync(int project, CancellationToken cancel)
    {
        if (await OpenAsync(project, "Ships", cancel) is { } answer)
        {
            return answer;
        }
        var plan = await Open.PlanAsync(Workspace, cancel);
        Open.DrawAheadSoon(Workspace, plan);
        Json = JsonSerializer.Serialize(ShipsModel.Of(Workspace, plan), JsonSerializerOptions.Web);
        return Page();
    }
}
