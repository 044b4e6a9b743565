using System.Text.Json;
using Kalypto.Application.Packs;
using Kalypto.Store;
using Kalypto.Web.Doors;
using Kalypto.Web.Models;

namespace Kalypto.Web.Pages;

/// <summary>Who sees this project, and who may do what in it?</summary>
public sealed class TeamPage(PlanPack plans, TeamModel.Sources sources, AccountOptions accounts) : ProjectPage(plans, "People")
{
    /// <summary>True when there are accounts at all.</summary>
    public bool HasAccounts => accounts.IsOn;

    /// <summary>True for those who may change it.</summary>
    public bool IsOwner => Role == Role.Owner;

    /// <summary>What the page shows at first, for its script.</summary>
    public string Json { get; private set; } = "{}";

    /// <summary>Shows it.</summary>
    public async Task OnGetAsync(CancellationToken cancel) => Json = JsonSerializer.Serialize(await TeamModel.OfAsync(Workspace.Row.Id, sources, cancel), JsonSerializerOptions.Web);
}
