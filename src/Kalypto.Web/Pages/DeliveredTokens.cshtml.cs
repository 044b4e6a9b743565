using System.Text.Json;
using Kalypto.Application.Handover;
using Kalypto.Application.Packs;
using Kalypto.Store;
using Kalypto.Web.Doors;
using Kalypto.Web.Models;
using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Mvc;

namespace Kalypto.Web.Pages;

/// <summary>The tokens of a delivery, as they were then.</summary>
[Authorize(Policy = nameof(Need.Developer))]
public sealed class DeliveredTokensPage(PlanPack plans, OpenDelivery deliveries, BuildStore builds) : HandoverPage(plans, deliveries, builds, "Tokens")
{
    /// <summary>What the script shows.</summary>
    public string Json { get; private set; } = "";

    /// <summary>Shows them.</summary>
    public async Task<IActionResult> OnGetAsync(int number, CancellationToken cancel)
    {
        if (await OpenAsync(number, cancel) is not { } delivered)
        {
            return NotFound();
        }
        var workspace = delivered.Workspace;
        Json = JsonSerializer.Serialize(TokensModel.Of(workspace, delivered.Tokens, layer => workspace.FindLayer(layer.Design, layer.Ordinal) is var (_, state, node) && state.Measured.ScreenOf(node) is { } screen
            ? HandoverHead.Plate(Head.Project, number, layer.Design, screen.Root.Ordinal) : null), JsonSerializerOptions.Web);
        return Page();
    }
}
