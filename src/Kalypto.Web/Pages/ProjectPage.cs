using Kalypto.Web.Desk;
using Kalypto.Web.UseCases;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Kalypto.Web.Pages;

/// <summary>What all pages inside a project share.</summary>
public abstract class ProjectPage(OpenProject open) : PageModel
{
    /// <summary>Loads projects and plans packs.</summary>
    protected OpenProject Open { get; } = open;

    /// <summary>The project with its designs.</summary>
    public Workspace Workspace { get; private set; } = null!;

    /// <summary>Loads the project and sets what the frame of the page needs.</summary>
    /// <returns>Null when all is well, else what to answer.</returns>
    protected async Task<IActionResult?> OpenAsync(int project, string place, CancellationToken cancel)
    {
        // The page shows all that was said up to here; what comes later it is told.
        ViewData["Notice"] = HttpContext.RequestServices.GetRequiredService<Notices>().Last;
        if (await Open.LoadAsync(project, cancel) is not { } workspace)
        {
            return NotFound();
        }
        Workspace = workspace;
        ViewData["Project"] = workspace.Row;
        ViewData["Place"] = place;
        ViewData["Title"] = $"{place} · {workspace.Row.Name}";
        if (workspace.Designs.Count > 0)
        {
            ViewData["Bench"] = $"/projects/{project}/bench/{workspace.Designs[0].Row.Id}/{workspace.Designs[0].State.Measured.Drawing.Screens[0].Root.Ordinal}";
        }
        return null;
    }
}
