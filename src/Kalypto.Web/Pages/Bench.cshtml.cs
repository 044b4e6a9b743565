using System.Text.Json;
using Kalypto.Core.Tagging;
using Kalypto.Store;
using Kalypto.Web.Models;
using Kalypto.Web.UseCases;
using Microsoft.AspNetCore.Mvc;

namespace Kalypto.Web.Pages;

/// <summary>One screen: what ships, under what name, made how?</summary>
public sealed class BenchPage(OpenProject open) : ProjectPage(open)
{
    /// <summary>What the bench shows at first.</summary>
    public BenchModel Bench { get; private set; } = null!;

    /// <summary>The same for the script.</summary>
    public string Json { get; private set; } = "";

    /// <summary>The words of the tag line, for its completion.</summary>
    public string TagWords { get; } = JsonSerializer.Serialize(TagWord.All.Select(w => new { w.Form, w.Meaning }), JsonSerializerOptions.Web);

    /// <summary>Shows it.</summary>
    public async Task<IActionResult> OnGetAsync(int project, int design, int screen, CancellationToken cancel)
    {
        if (await OpenAsync(project, "Bench", cancel) is { } answer)
        {
            return answer;
        }
        if (Workspace.FindScreen(design, screen) is null)
        {
            return NotFound();
        }
        var plan = await Open.PlanAsync(Workspace, cancel);
        await Open.DrawAheadAsync(Workspace, plan, DrawingQueue.Ahead, cancel);
        Bench = BenchModel.Of(Workspace, plan, design, screen);
        Json = JsonSerializer.Serialize(Bench, JsonSerializerOptions.Web);
        ViewData["Title"] = $"{Bench.Screen.Name} · Bench";
        ViewData["BodyClass"] = "full";
        return Page();
    }

}
