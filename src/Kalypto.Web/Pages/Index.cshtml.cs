using Kalypto.Store;
using Kalypto.Web.Models;
using Kalypto.Web.UseCases;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Kalypto.Web.Pages;

/// <summary>All projects: what is waiting for me?</summary>
public sealed class IndexModel(ProjectStore projects, OpenProject open) : PageModel
{
    /// <summary>The projects, newest first.</summary>
    public List<ProjectCard> Projects { get; } = [];

    /// <summary>Shows them.</summary>
    public async Task OnGetAsync(CancellationToken cancel)
    {
        foreach (var row in await projects.ListAsync(cancel))
        {
            var workspace = (await open.LoadAsync(row.Id, cancel))!;
            var plan = await open.PlanAsync(workspace, cancel);
            var screens = ScreenModels.Of(workspace);
            var blockers = plan.Pack.Blockers.Count();
            var left = screens.Sum(s => s.Total - s.Decided);
            Projects.Add(new(row.Id, row.Name, screens,
                screens.Count == 0 ? "no drawing yet"
                : blockers > 0 ? $"{Words.Count(blockers, "finding")} must be settled before it can be built"
                : left > 0 ? $"{Words.Count(left, "layer")} waiting for a decision" : $"all decided: {Words.Count(plan.Pack.Files.Length, "file")} to build"));
        }
    }
}
