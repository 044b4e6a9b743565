using Kalypto.Application.Packs;
using Kalypto.Store;
using Kalypto.Web.Doors;
using Kalypto.Web.Models;
using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Http.Features;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Kalypto.Web.Pages;

/// <summary>All projects: what is waiting for me?</summary>
[Authorize(Policy = nameof(Need.Person))]
public sealed class IndexModel(ProjectStore projects, TimeProvider clock) : PageModel
{
    private const int OnePage = 48;

    /// <summary>Letters in the name or description.</summary>
    [BindProperty(SupportsGet = true, Name = "q")]
    public string? Find { get; set; }

    /// <summary>Which projects: those worked on, those put away, or those deleted.</summary>
    [BindProperty(SupportsGet = true)]
    public Shelf Shelf { get; set; }

    /// <summary>The page of them, from 0.</summary>
    [BindProperty(SupportsGet = true, Name = "page")]
    public int PageNumber { get; set; }

    /// <summary>The projects, the last touched first.</summary>
    public IReadOnlyList<ProjectCard> Projects { get; private set; } = [];

    /// <summary>How many there are that were asked for, on all pages.</summary>
    public int Found { get; private set; }

    /// <summary>How many stand on each shelf.</summary>
    public IReadOnlyDictionary<Shelf, int> Counts { get; private set; } = new Dictionary<Shelf, int>();

    /// <summary>True when there are more behind these.</summary>
    public bool HasMore => (PageNumber + 1) * OnePage < Found;

    private Entry Entry => HttpContext.Features.GetRequiredFeature<Entry>();

    /// <summary>Shows them, from what was counted when they were last changed: none is opened.</summary>
    public async Task OnGetAsync(CancellationToken cancel)
    {
        ViewData["Place"] = "Projects";
        PageNumber = Math.Clamp(PageNumber, 0, 100_000);
        Find = Find?.Replace("\0", "", StringComparison.Ordinal).Trim() ?? "";
        (var listed, Found) = await projects.ListAsync(Shelf, Find, PageNumber * OnePage, OnePage, cancel, Entry.Reader);
        Counts = await projects.CountsAsync(cancel, Entry.Reader);
        var now = clock.GetUtcNow().UtcDateTime;
        Projects = [.. listed.Select(p => ProjectCard.Of(p, ProjectCounts.Read(p.Counts), now))];
    }
}
