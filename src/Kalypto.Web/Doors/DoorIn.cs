using Kalypto.Application.Desk;
using Kalypto.Application.Opening;
using Kalypto.Store;

namespace Kalypto.Web.Doors;

/// <summary>
/// Opens the project that a route lies in, once for each request, for whoever was let in. One that was deleted is not there, but
/// for the routes that say so.
/// </summary>
internal sealed class DoorIn(RequestDelegate next, OpenProject open, ProjectStore projects, Notices notices, Callers callers)
{
    public async Task InvokeAsync(HttpContext http)
    {
        if (http.GetEndpoint() is not { } endpoint)
        {
            await next(http);
            return;
        }
        var (scope, project, access) = (endpoint.Metadata.GetMetadata<ProjectScope>(), Callers.ProjectOf(http), Callers.AccessOf(http));
        var notice = notices.Last;
        var workspace = scope is { Loads: true } ? await open.LoadAsync(project, http.RequestAborted) : null;
        if (scope is not null && workspace is null && (scope.Loads || !scope.EvenDeleted && !await projects.IsThereAsync(project, http.RequestAborted)))
        {
            await RefusalAnswers.AnswerAsync(http, DoorRefusal.NotThere);
            return;
        }
        // Changes of a design that is being read again would find no such design: nothing is wrong, and nothing is lost.
        if (workspace is { IsReadAgain: true } && !HttpMethods.IsGet(http.Request.Method))
        {
            http.Response.Headers.RetryAfter = "3";
            await Problem.Of(StatusCodes.Status503ServiceUnavailable, "A drawing of this project is being read again, because its reading was interrupted. Nothing was changed; try again in a moment.").ExecuteAsync(http);
            return;
        }
        http.Features.Set(new Entry(new(project, callers.ActorOf(http, access), Actors.PageOf(http)), notice, workspace) { Access = access });
        await next(http);
    }
}
