using Kalypto.Store;
using Kalypto.Web.Doors;
using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Http.Features;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Kalypto.Web.Pages;

/// <summary>Everything that was shipped in all projects: do we have that already?</summary>
[Authorize(Policy = nameof(Need.Person))]
public sealed class LibraryPage(ProjectStore projects) : PageModel
{
    private const int MostProjects = 200;

    /// <summary>The projects that something can be taken into, the last touched first.</summary>
    public IReadOnlyList<ListedProject> Projects { get; private set; } = [];

    private Entry Entry => HttpContext.Features.GetRequiredFeature<Entry>();

    /// <summary>Shows it.</summary>
    public async Task OnGetAsync(CancellationToken cancel)
    {
        ViewData["Title"] = ViewData["Place"] = "Library";
        ViewData["BodyClass"] = "full";
        Projects = (await projects.ListAsync(Shelf.Current, "", 0, MostProjects, cancel, Entry.Reader)).Projects;
    }
}
