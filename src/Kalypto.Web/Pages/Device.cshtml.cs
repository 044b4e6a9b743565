using System.Text.Json;
using Kalypto.Application.Handover;
using Kalypto.Application.Packs;
using Kalypto.Core.Handover;
using Kalypto.Store;
using Kalypto.Web.Doors;
using Kalypto.Web.Models;
using Kalypto.Web.Wording;
using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Mvc;

namespace Kalypto.Web.Pages;

/// <summary>A screen on a device, put together from what was delivered: how does it look?</summary>
[Authorize(Policy = nameof(Need.Guest))]
public sealed class DevicePage(PlanPack plans, OpenDelivery deliveries, BuildStore builds) : HandoverPage(plans, deliveries, builds, "Device")
{
    /// <summary>What the script needs.</summary>
    public string Json { get; private set; } = "";

    /// <summary>The name of the screen.</summary>
    public string Screen { get; private set; } = "";

    /// <summary>What it is made of, in words.</summary>
    public string MadeOf { get; private set; } = "";

    /// <summary>The address of this screen.</summary>
    public string At { get; private set; } = "";

    /// <summary>Shows it; without a screen, the first.</summary>
    public async Task<IActionResult> OnGetAsync(int number, int? design, int? screen, CancellationToken cancel)
    {
        if (await OpenAsync(number, cancel) is not { } delivered)
        {
            return NotFound();
        }
        if (design is not { } d || screen is not { } r)
        {
            return Head.Devices is [var first, ..] ? Redirect(first.Href) : NotFound();
        }
        if (delivered.Workspace.FindScreen(d, r) is not var (_, state, shown))
        {
            return NotFound();
        }
        ViewData["Plate"] = HandoverHead.Plate(Head.Project, number, d, r);
        ViewData["BodyClass"] = "full";
        ViewData["Title"] = $"{shown.Name} on a device · delivery {number} · {Head.ProjectName}";
        Screen = shown.Name;
        At = HandoverHead.Device(Head.Project, number, d, r);
        var missing = Unreached.Of(state, shown).Count;
        var parts = delivered.PartsOf(d, shown).Where(p => !p.IsHidden).ToList();
        MadeOf = $"{Words.Count(parts.Count(p => p.Picture is not null), "picture")} and {Words.Count(parts.Count(p => p.Picture is null), "layer")} of code"
            + (missing > 0 ? $"; {Words.Count(missing, "part")} of the drawing {(missing == 1 ? "reaches" : "reach")} nobody" : "; all that is visible is here");
        Json = JsonSerializer.Serialize(new
        {
            at = At,
            width = state.ToPoints(shown.Box).Width,
            height = state.ToPoints(shown.Box).Height,
            drawn = $"/pictures/{Head.Project}/delivered/{number}/{d}/screen/{r}.png",
            screens = Head.Devices.Select(d => d.Href),
            platforms = delivered.Workspace.Platforms.Where(p => delivered.Plan.Pack.Files.Any(f => f.Platform == p.Id && f.BrowsersShow && delivered.Files.ContainsKey(f.Path))).Select(p => new { p.Id, p.Name }),
        }, JsonSerializerOptions.Web);
        return Page();
    }
}
