using System.Text.Json;
using Kalypto.Application.Opening;
using Kalypto.Application.Packs;
using Kalypto.Core.Tagging;
using Kalypto.Store;
using Kalypto.Web.Models;
using Microsoft.AspNetCore.Mvc;

namespace Kalypto.Web.Pages;

/// <summary>What does “icon” mean in this project?</summary>
public sealed class RecipesPage(PlanPack plans, ProjectStore projects) : ProjectPage(plans, "Recipes")
{
    private const int MostOthers = 200;

    /// <summary>What the page shows at first, for its script.</summary>
    public string Json { get; private set; } = "";

    /// <summary>Other projects with the kinds that they have recipes of their own for, to copy from.</summary>
    public string Others { get; private set; } = "[]";

    /// <summary>Shows it.</summary>
    public async Task<IActionResult> OnGetAsync(CancellationToken cancel)
    {
        Others = JsonSerializer.Serialize((await projects.WithRecipesAsync(Workspace.Row.Id, MostOthers, cancel, Entry.Reader))
            .Select(p => new { p.Id, p.Name, Changed = RecipeBookJson.Read(p.Recipes).Own.Keys }), JsonSerializerOptions.Web);
        Json = JsonSerializer.Serialize(RecipesModel.Of(Workspace, await Plans.PlanAsync(Workspace, cancel)), JsonSerializerOptions.Web);
        ViewData["BodyClass"] = "full";
        return Page();
    }
}
