using System.Globalization;
using System.Security.Claims;
using Kalypto.Application.Desk;
using Kalypto.Application.Opening;
using Kalypto.Store;
using Kalypto.Store.People;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Kalypto.Web.Doors;

/// <summary>
/// The one door in: finds out who comes, whether the route is for them, and opens the project that it lies in, once for each
/// request. A project that somebody may not see is to them as one that is not there.
/// </summary>
internal sealed class DoorIn(RequestDelegate next, OpenProject open, Notices notices, Callers callers)
{
    private static readonly string[] OtherDeliveries = ["with", "since"];

    public async Task InvokeAsync(HttpContext http)
    {
        var endpoint = http.GetEndpoint();
        // Files of the pages and what has no route need nobody.
        if (endpoint is null)
        {
            await next(http);
            return;
        }
        var scope = endpoint.Metadata.GetMetadata<ProjectScope>();
        var project = scope is null ? 0 : int.TryParse(http.Request.RouteValues["project"]?.ToString(), NumberStyles.None, CultureInfo.InvariantCulture, out var number) ? number : 0;
        var access = await callers.OfAsync(http, project);
        if (access.Person is { } person)
        {
            // The tokens of pages hold for one person only.
            http.User = new(new ClaimsIdentity([new Claim(ClaimTypes.NameIdentifier, person.ToString(CultureInfo.InvariantCulture))], "session"));
        }
        if (Refusal(http, endpoint, access) is { } refusal)
        {
            await RefuseAsync(http, endpoint, refusal);
            return;
        }
        var notice = notices.Last;
        var workspace = scope is { Loads: true } ? await open.LoadAsync(project, http.RequestAborted) : null;
        if (scope is { Loads: true } && workspace is null)
        {
            await RefuseAsync(http, endpoint, DoorRefusal.NotThere);
            return;
        }
        http.Features.Set(new Entry(new(project, callers.ActorOf(http, access), Actors.PageOf(http)), notice, workspace) { Access = access });
        await next(http);
    }

    private static DoorRefusal? Refusal(HttpContext http, Endpoint endpoint, Access access) => RouteNeeds.Of(endpoint) switch
    {
        // A route that does not say whom it is for is for nobody.
        null => DoorRefusal.NotThere,
        Need.Anyone => null,
        _ when !access.IsSomebody => DoorRefusal.SignIn,
        Need.Somebody => null,
        Need.Person => access.Person is not null || access.IsKeeper ? null : DoorRefusal.SignIn,
        Need.Keeper => access.IsKeeper ? null : DoorRefusal.NotThere,
        _ when access.Role == Role.None || !IsOfDelivery(http, access) => DoorRefusal.NotThere,
        { } need => access.Role >= RoleOf(need) ? null : DoorRefusal.TooLittle,
    };

    private static Role RoleOf(Need need) => need switch { Need.Guest => Role.Guest, Need.Developer => Role.Developer, Need.Designer => Role.Designer, _ => Role.Owner };

    // A link to one delivery opens what says that it is of that one; files of builds are looked at where they are found.
    private static bool IsOfDelivery(HttpContext http, Access access) => access.Delivery is not { } delivery
        || (http.Request.RouteValues.ContainsKey("build") || http.Request.RouteValues["number"]?.ToString() == delivery.ToString(CultureInfo.InvariantCulture))
        && OtherDeliveries.All(q => http.Request.Query[q].ToString() is "" or "0");

    private static Task RefuseAsync(HttpContext http, Endpoint endpoint, DoorRefusal refusal)
    {
        http.Features.Set(refusal);
        var isPage = endpoint.Metadata.GetMetadata<PageActionDescriptor>() is not null || (HttpMethods.IsGet(http.Request.Method) && http.Request.Headers["Sec-Fetch-Dest"] == "document");
        if (refusal == DoorRefusal.SignIn && isPage)
        {
            return Results.Redirect($"/sign-in?to={Uri.EscapeDataString(http.Request.Path + http.Request.QueryString)}").ExecuteAsync(http);
        }
        var status = refusal == DoorRefusal.SignIn ? StatusCodes.Status401Unauthorized : refusal == DoorRefusal.TooLittle ? StatusCodes.Status403Forbidden : StatusCodes.Status404NotFound;
        return (http.Request.Path.StartsWithSegments("/api") ? Problem.Of(status, refusal.Advice) : Results.StatusCode(status)).ExecuteAsync(http);
    }
}
