using System.Text.Json;
using Kalypto.Application.Packs;
using Kalypto.Web.Endpoints;

namespace Kalypto.Web.Pages;

/// <summary>The tokens of a project: named, merged, refused.</summary>
public sealed class TokensPage(PlanPack plans) : ProjectPage(plans, "Tokens")
{
    /// <summary>What the script shows.</summary>
    public string Json { get; private set; } = "";

    /// <summary>Shows them.</summary>
    public void OnGet() => Json = JsonSerializer.Serialize(TokenEndpoints.Of(Workspace), JsonSerializerOptions.Web);
}
