using System.Text.Json;
using Kalypto.Core.Tagging;
using Kalypto.Store;
using Kalypto.Web.Models;
using Kalypto.Web.UseCases;
using Microsoft.AspNetCore.Mvc;

namespace Kalypto.Web.Pages;

/// <summary>What does “icon” mean in this project?</summary>
public sealed class RecipesPage(OpenProject open, ProjectStore projects) : ProjectPage(open)
{
    /// <summary>What the page shows at first, for its script.</summary>
    public string Json { get; private set; } = "";

    /// <summary>The words that a recipe can hold, for the completion.</summary>
    public string TagWords { get; } = JsonSerializer.Serialize(TagWord.BuiltIn
        .Where(w => !Kinds.All.Contains(w.Form) && w.Form is not ("parts" or "whole" or "-formats") && !w.Form.StartsWith("state:", StringComparison.Ordinal)).Select(w => new { w.Form, w.Meaning }), JsonSerializerOptions.Web);

    /// <summary>Other projects with the kinds that they have recipes of their own for, to copy from.</summary>
    public string Others { get; private set; } = "[]";

    /// <summary>Shows it.</summary>
    public async Task<IActionResult> OnGetAsync(int project, CancellationToken cancel)
    {
        if (await OpenAsync(project, "Recipes", cancel) is { } answer)
        {
            return answer;
        }
        Others = JsonSerializer.Serialize((await projects.ListAsync(cancel)).Where(p => p.Id != project)
            .Select(p => new { p.Id, p.Name, Changed = RecipeBookJson.Read(p.Recipes).Own.Keys }), JsonSerializerOptions.Web);
        Json = JsonSerializer.Serialize(RecipesModel.Of(Workspace, await Open.PlanAsync(Workspace, cancel)), JsonSerializerOptions.Web);
        ViewData["BodyClass"] = "full";
        return Page();
    }
}
