using Microsoft.AspNetCore.Antiforgery;

namespace Kalypto.Web.Doors;

/// <summary>Groups of routes that only the pages of this server may change anything through.</summary>
internal static class Guard
{
    /// <summary>Endpoints that need the page's own token.</summary>
    public static RouteGroupBuilder Edits(this IEndpointRouteBuilder app, string prefix) => app.MapGroup(prefix).AddEndpointFilter(async (context, next) =>
    {
        var http = context.HttpContext;
        if (!HttpMethods.IsGet(http.Request.Method) && !await http.RequestServices.GetRequiredService<IAntiforgery>().IsRequestValidAsync(http))
        {
            return Problem.BadRequest("This page is from before Kalypto was restarted. Load it again.");
        }
        return await next(context);
    }).Limited();

    /// <summary>Endpoints that lie in a project, which is loaded for them.</summary>
    public static RouteGroupBuilder InProject(this RouteGroupBuilder group) => group.WithMetadata(new ProjectScope());

    /// <summary>Endpoints that lie in a project and need no more than its number.</summary>
    public static T OfProject<T>(this T routes)
        where T : IEndpointConventionBuilder => routes.WithMetadata(new ProjectScope(Loads: false));
}
