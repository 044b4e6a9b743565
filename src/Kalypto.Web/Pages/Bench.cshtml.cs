using System.Text;
using Kalypto.Application.Opening;
using Kalypto.Application.Packs;
using Kalypto.Web.Endpoints;
using Kalypto.Web.Models;
using Microsoft.AspNetCore.Mvc;

namespace Kalypto.Web.Pages;

/// <summary>One screen: what ships, under what name, made how?</summary>
public sealed class BenchPage(PlanPack plans, IServiceProvider services) : ProjectPage(plans, "Bench")
{
    /// <summary>The screens beside it.</summary>
    public StripModel Strip { get; private set; } = null!;

    /// <summary>The design.</summary>
    public int Design { get; private set; }

    /// <summary>The layer that stands for the screen.</summary>
    public int Root { get; private set; }

    /// <summary>The address of the picture of the screen.</summary>
    public string Picture { get; private set; } = "";

    /// <summary>The name of the screen.</summary>
    public string Name { get; private set; } = "";

    /// <summary>Its size in pt.</summary>
    public string Size { get; private set; } = "";

    /// <summary>What it is for, by its size; or null.</summary>
    public string? Device { get; private set; }

    /// <summary>Drawing units in one pt.</summary>
    public double DrawnAt { get; private set; }

    /// <summary>All that the script shows.</summary>
    public string Json { get; private set; } = "";

    /// <summary>Shows it.</summary>
    public async Task<IActionResult> OnGetAsync(int design, int screen, CancellationToken cancel)
    {
        if (Workspace.FindScreen(design, screen) is not var (row, _, _))
        {
            return NotFound();
        }
        var plan = await Plans.PlanAsync(Workspace, cancel);
        Plans.DrawAheadSoon(Workspace, plan);
        Strip = ScreenModels.Around(Workspace, design, screen);
        var shown = Strip.Here;
        (Design, Root, DrawnAt, Picture, Name, Size, Device) = (design, screen, row.DrawnAt, shown.Picture, shown.Name, shown.Size, shown.Device);
        Json = Encoding.UTF8.GetString(await services.GetRequiredService<Bench>().AnswerAsync(Workspace, plan, new(design, screen, null, null), BenchSaid.Nothing, cancel));
        ViewData["Title"] = $"{Name} · Bench";
        ViewData["BodyClass"] = "full";
        return Page();
    }
}
