using Kalypto.Web.UseCases;
using Microsoft.AspNetCore.Mvc;

namespace Kalypto.Web.Pages;

/// <summary>The wall of all screens: do I have the right ones?</summary>
public sealed class ScreensModel(OpenProject open) : ProjectPage(open)
{
    /// <summary>Shows it.</summary>
    public async Task<IActionResult> OnGetAsync(int project, CancellationToken cancel) => await OpenAsync(project, "Screens", cancel) ?? Page();
}
