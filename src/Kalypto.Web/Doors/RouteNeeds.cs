using System.Collections.Concurrent;
using System.Collections.Frozen;
using System.Text.RegularExpressions;

namespace Kalypto.Web.Doors;

/// <summary>Whom every page and endpoint is for, in one place. A route that is not here is for nobody.</summary>
internal static partial class RouteNeeds
{
    private const string Project = "projects/{project}";
    private const string Api = "api/projects/{project}";
    private const string Pictures = "pictures/{project}";

    private static readonly FrozenDictionary<string, Need> Needs = new (Need Need, string[] Routes)[]
    {
        (Need.Anyone,
        [
            "GET health", "GET health/live", "GET error", "GET sign-in", "GET welcome", "GET open",
            "POST api/coming/sign-in", "POST api/coming/invitation", "POST api/coming/invitation/taken", "POST api/coming/link", "POST api/coming/sign-out",
        ]),
        (Need.Somebody, ["GET pictures/proofs/{key}.png", "GET pictures/files/{name}"]),
        (Need.Person,
        [
            "GET ", "GET Index", "GET library", "GET account", "POST api/projects", "POST api/projects/new",
            "POST api/account/name", "POST api/account/password", "POST api/account/sessions/{session}/ended", "POST api/account/sessions/others/ended",
            // Of the library everybody sees what lies in projects whose files they may have.
            "GET api/library", "GET api/library/{design}/{lineage}", "POST api/library/look", "GET library/pictures/{drawing}.png", "GET library/layers/{design}/{lineage}", "GET library/layers/{design}/{lineage}.zip",
        ]),
        (Need.Keeper, ["GET people", "GET mail", "POST api/people/invited", "POST api/people/{person}/password", "POST api/people/{person}/shut"]),
        (Need.Guest,
        [
            $"GET {Project}/handover", $"GET {Project}/deliveries/{{number}}/plates/{{design}}/{{screen}}", $"GET {Project}/deliveries/{{number}}/plates/print",
            $"GET {Project}/deliveries/{{number}}/device/{{design}}/{{screen}}", $"GET {Project}/deliveries/{{number}}/device/{{design}}/{{screen}}/screen.html",
            $"GET {Project}/deliveries/{{number}}/page/{{design}}/{{screen}}/clean/{{**path}}",
            $"GET {Project}/deliveries/{{number}}/device/file", $"GET {Project}/deliveries/{{number}}/device/fonts/{{sha256}}",
            $"GET {Api}/deliveries/{{number}}/plates/{{design}}/{{screen}}/{{layer}}", $"GET {Api}/deliveries/{{number}}/plates/{{design}}/{{screen}}/between",
            $"GET {Api}/deliveries/{{number}}/plates/{{design}}/{{screen}}/asked", $"POST {Api}/deliveries/{{number}}/plates/{{design}}/{{screen}}/asked",
            $"POST {Api}/deliveries/{{number}}/plates/{{design}}/{{screen}}/asked/{{question}}/withdrawn", $"POST {Api}/deliveries/{{number}}/plates/{{design}}/{{screen}}/said",
            $"GET {Pictures}/delivered/{{number}}/{{design}}/screen/{{screen}}.png", $"GET {Pictures}/delivered/{{number}}/{{design}}/layer/{{ordinal}}.png",
        ]),
        (Need.Developer,
        [
            $"GET {Project}/deliveries", $"GET {Project}/deliveries/{{number}}", $"GET {Project}/deliveries/{{number}}/tokens",
            $"GET {Project}/builds/{{build}}.zip", $"GET {Project}/builds/{{build}}/file", $"GET {Project}/builds/{{build}}/changes.json", $"GET {Project}/builds/{{build}}/CHANGES.md",
            $"GET {Api}/builds", $"GET {Api}/deliveries/{{number}}", $"GET {Api}/deliveries/{{number}}/difference", $"GET {Api}/events",
        ]),
        (Need.Designer,
        [
            $"GET {Project}", $"GET {Project}/bench/{{design}}/{{screen}}", $"GET {Project}/ships", $"GET {Project}/checks", $"GET {Project}/recipes", $"GET {Project}/recipes.json", $"GET {Project}/pack",
            $"GET {Project}/page/{{design}}/{{screen}}", $"GET {Project}/page/{{design}}/{{screen}}/clean/{{**path}}", $"GET {Api}/page/{{design}}/{{screen}}",
            $"GET {Project}/closer/{{key}}", $"GET {Project}/fonts", $"GET {Project}/tokens", $"GET {Project}/designs/{{design}}/screens", $"GET {Project}/designs/{{design}}/changes", $"GET {Project}/people",
            $"GET {Pictures}/{{design}}/screen/{{screen}}.png", $"GET {Pictures}/{{design}}/board.png", $"GET {Pictures}/{{design}}/layer/{{ordinal}}.png",
            $"POST {Api}/files", $"POST {Api}/said", $"POST {Api}/platforms", $"GET {Api}/history", $"POST {Api}/undo", $"POST {Api}/redo", $"POST {Api}/history/{{step}}",
            $"GET {Api}/bench/{{design}}/{{screen}}", $"POST {Api}/edit", $"POST {Api}/completions", $"POST {Api}/preview", $"GET {Api}/designs/{{design}}/layers/{{ordinal}}",
            $"POST {Api}/combine", $"POST {Api}/take-apart", $"POST {Api}/rule", $"POST {Api}/accept", $"POST {Api}/rename/preview", $"POST {Api}/rename", $"POST {Api}/fix", $"GET {Api}/ships",
            $"GET {Api}/designs/{{design}}/screens", $"POST {Api}/designs/{{design}}/screens", $"POST {Api}/designs/{{design}}/said", $"POST {Api}/designs/{{design}}/removed",
            $"GET {Api}/designs/{{design}}/changes", $"POST {Api}/designs/{{design}}/waiting", $"POST {Api}/designs/{{design}}/held", $"POST {Api}/designs/{{design}}/before", $"POST {Api}/designs/{{design}}/pairs",
            $"POST {Api}/designs/{{design}}/names", $"POST {Api}/designs/{{design}}/apart", $"POST {Api}/designs/{{design}}/next-of", $"POST {Api}/designs/{{design}}/renew", $"POST {Api}/taken",
            $"GET {Api}/checks", $"POST {Api}/checks/fix", $"POST {Api}/checks/draw-again", $"POST {Api}/checks/settings", $"POST {Api}/checks/suppress",
            $"GET {Api}/recipes", $"POST {Api}/recipes", $"POST {Api}/recipes/fields", $"POST {Api}/recipes/preview", $"GET {Api}/tokens", $"POST {Api}/tokens", $"POST {Api}/fonts/{{sha256}}/removed",
            $"GET {Api}/pack", $"POST {Api}/pack/looked", $"GET {Api}/closer/{{key}}", $"POST {Api}/closer/try",
            $"POST {Api}/builds", $"POST {Api}/builds/preview", $"GET {Api}/builds/{{build}}", $"POST {Api}/builds/{{build}}/cancel", $"POST {Api}/deliveries/{{number}}/again",
            $"GET {Api}/places", $"POST {Api}/places", $"POST {Api}/places/{{place}}/follows", $"POST {Api}/places/{{place}}/removed", $"POST {Api}/places/{{place}}/deliver", $"GET {Api}/team", $"POST {Api}/questions/{{question}}/answered",
        ]),
        (Need.Owner,
        [
            $"POST {Api}/archived", $"POST {Api}/deleted", $"POST {Api}/team/invitations", $"POST {Api}/team/invitations/{{invitation}}/removed", $"POST {Api}/team/people/{{person}}",
            $"POST {Api}/team/links", $"POST {Api}/team/links/{{link}}/revoked",
        ]),
    }.SelectMany(n => n.Routes.Select(r => KeyValuePair.Create(r, n.Need))).ToFrozenDictionary();

    private static readonly ConcurrentDictionary<Endpoint, Need?> Known = new();

    /// <summary>Every route that is told, with whom it is for.</summary>
    public static IReadOnlyDictionary<string, Need> All => Needs;

    /// <summary>Whom a route is for; null for one that does not say.</summary>
    public static Need? Of(Endpoint endpoint) => Known.GetOrAdd(endpoint, e => Needs.TryGetValue(NameOf(e), out var need) ? need : null);

    /// <summary>How a route is called here: its method and its pattern, without what its parts must look like.</summary>
    public static string NameOf(Endpoint endpoint)
    {
        var method = endpoint.Metadata.GetMetadata<HttpMethodMetadata>()?.HttpMethods is [var first, ..] ? first : "GET";
        return $"{method} {Constraint().Replace((endpoint as RouteEndpoint)?.RoutePattern.RawText?.Trim('/') ?? "", "}")}";
    }

    [GeneratedRegex(@"(:[a-z]+)?\??\}")]
    private static partial Regex Constraint();
}
