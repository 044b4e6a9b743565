using System.Text.Json;
using Kalypto.Application.Handover;
using Kalypto.Application.Packs;
using Kalypto.Store;
using Kalypto.Store.Asking;
using Kalypto.Web.Doors;
using Kalypto.Web.Models;
using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Mvc;

namespace Kalypto.Web.Pages;

/// <summary>A screen as developers see it: what is this made of, and where do I get it?</summary>
[Authorize(Policy = nameof(Need.Guest))]
public sealed class PlatePage(PlanPack plans, OpenDelivery deliveries, SinceDelivery since, BuildStore builds, QuestionStore questions) : HandoverPage(plans, deliveries, builds, "Plates")
{
    /// <summary>The plate.</summary>
    public PlateModel Plate { get; private set; } = null!;

    /// <summary>True for those of whom no account says what they are called.</summary>
    public bool NeedsName => Entry.Access is { Person: null } or { Link: not null };

    /// <summary>What the script needs.</summary>
    public string Json { get; private set; } = "";

    /// <summary>Shows it; without a screen, the first.</summary>
    public async Task<IActionResult> OnGetAsync(int number, int? design, int? screen, CancellationToken cancel)
    {
        if (await OpenAsync(number, cancel) is not { } delivered)
        {
            return NotFound();
        }
        if (design is not { } d || screen is not { } s)
        {
            return Head.Screens is [var first, ..] ? Redirect(first.Href) : NotFound();
        }
        if (await Opened.PlateAsync(delivered, d, s, cancel) is not { } plate)
        {
            return NotFound();
        }
        ViewData["BodyClass"] = "full";
        ViewData["Device"] = HandoverHead.Device(Head.Project, number, d, s);
        ViewData["Title"] = $"{plate.Screen.Name} · delivery {number} · {Head.ProjectName}";
        Plate = PlateModel.Of(delivered, Head, d, plate, await since.NewOnAsync(delivered, d, plate, cancel), delivered.Tokens);
        Json = JsonSerializer.Serialize(new { project = Head.Project, number, design = d, screen = s, width = plate.Width, height = plate.Height, rows = Plate.Rows, screens = Head.Screens.Select(x => x.Href), build = Head.Build, asked = await AskedModel.OfAsync(delivered, d, s, questions, Entry.Author.Actor, Entry.Access.QuestionsOf, cancel), asks = Role >= Role.Developer ? "all" : "words", platforms = delivered.Workspace.Platforms.Where(p => delivered.Files.Values.Any(f => f.Platform == p.Id)).Select(p => new { p.Id, p.Name }) }, JsonSerializerOptions.Web);
        return Page();
    }
}
