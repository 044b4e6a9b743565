using System.Globalization;
using Kalypto.Application.Desk;
using Kalypto.Application.Opening;

namespace Kalypto.Web.Doors;

/// <summary>The one door in: finds out who comes and opens the project that a route lies in, once for each request.</summary>
internal sealed class DoorIn(RequestDelegate next, OpenProject open, Notices notices)
{
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
        var notice = notices.Last;
        var workspace = scope is { Loads: true } ? await open.LoadAsync(project, http.RequestAborted) : null;
        if (scope is { Loads: true } && workspace is null)
        {
            await (http.Request.Path.StartsWithSegments("/api") ? Problem.NotFound("This project is not there any more.") : Results.NotFound()).ExecuteAsync(http);
            return;
        }
        http.Features.Set(new Entry(new(project, Actors.Of(http), Actors.PageOf(http)), notice, workspace));
        await next(http);
    }
}
