using Kalypto.Application.Opening;
using Kalypto.Application.Packs;
using Kalypto.Store;
using Kalypto.Web.Doors;
using Kalypto.Web.Models;
using Microsoft.AspNetCore.Http.Features;
using Microsoft.AspNetCore.Mvc.Filters;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Kalypto.Web.Pages;

/// <summary>What all pages inside a project share. The project was opened at the door.</summary>
/// <param name="plans">Plans packs.</param>
/// <param name="place">Where in the project the page is, for the bar on top.</param>
public abstract class ProjectPage(PlanPack plans, string place) : PageModel
{
    /// <summary>Plans packs.</summary>
    protected PlanPack Plans { get; } = plans;

    /// <summary>The project with its designs.</summary>
    public Workspace Workspace => Entry.Workspace;

    /// <summary>What whoever looks may do in it.</summary>
    public Role Role => Entry.Access.Role;

    /// <summary>True for those who may change it.</summary>
    public bool IsDesigner => Role >= Role.Designer;

    private protected Entry Entry => HttpContext.Features.GetRequiredFeature<Entry>();

    /// <summary>Sets what the frame of the page needs.</summary>
    public override void OnPageHandlerExecuting(PageHandlerExecutingContext context)
    {
        // The page shows all that was said up to here; what comes later it is told.
        ViewData["Notice"] = Entry.Notice;
        ViewData["Project"] = Workspace.Row;
        ViewData["Place"] = place;
        ViewData["Title"] = $"{place} · {Workspace.Row.Name}";
        if (Workspace.Designs.Count > 0)
        {
            ViewData["Bench"] = Links.Bench(Workspace.Row.Id, Workspace.Designs[0].Row.Id, Workspace.Designs[0].State.Measured.Drawing.Screens[0].Root.Ordinal);
        }
    }
}
