using System.Text.Json;
using Kalypto.Store;
using Kalypto.Web.Models;
using Kalypto.Web.UseCases;
using Microsoft.AspNetCore.Mvc;

namespace Kalypto.Web.Pages;

/// <summary>Each build of the pack: what did they get, when?</summary>
public sealed class DeliveriesPage(OpenProject open, BuildStore builds) : ProjectPage(open)
{
    /// <summary>The builds, for the script.</summary>
    public string Json { get; private set; } = "";

    /// <summary>Shows them.</summary>
    public async Task<IActionResult> OnGetAsync(int project, CancellationToken cancel)
    {
        if (await OpenAsync(project, "Deliveries", cancel) is { } answer)
        {
            return answer;
        }
        Json = JsonSerializer.Serialize((await builds.ListAsync(project, cancel)).Select(BuildModel.Of), JsonSerializerOptions.Web);
        return Page();
    }
}
