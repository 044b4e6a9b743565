using Microsoft.AspNetCore.Antiforgery;

namespace Kalypto.Web.Endpoints;

/// <summary>Lets only the pages of this server change anything.</summary>
internal static class Guard
{
    /// <summary>Endpoints that need the page's own token.</summary>
    public static RouteGroupBuilder Edits(this IEndpointRouteBuilder app, string prefix) => app.MapGroup(prefix).AddEndpointFilter(async (context, next) =>
    {
        var http = context.HttpContext;
        if (!HttpMethods.IsGet(http.Request.Method) && !await http.RequestServices.GetRequiredService<IAntiforgery>().IsRequestValidAsync(http))
        {
            return Results.Json(new { message = "This page is from before Kalypto was restarted. Load it again." }, statusCode: StatusCodes.Status400BadRequest);
        }
        return await next(context);
    });
}
