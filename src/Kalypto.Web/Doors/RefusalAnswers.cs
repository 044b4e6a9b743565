using Kalypto.Store;
using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Authorization.Policy;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Kalypto.Web.Doors;

/// <summary>Answers whoever may not use a route: to sign in, that it is not theirs, or that there is nothing.</summary>
internal sealed class RefusalAnswers : IAuthorizationMiddlewareResultHandler
{
    public Task HandleAsync(RequestDelegate next, HttpContext context, AuthorizationPolicy policy, PolicyAuthorizationResult authorizeResult) =>
        // What is no route of ours, such as a method that a route does not have, is answered as such.
        authorizeResult.Succeeded || context.GetEndpoint() is not RouteEndpoint ? next(context) : AnswerAsync(context, context.Features.Get<DoorRefusal>() ?? DoorRefusal.NotThere);

    /// <summary>Answers a refusal.</summary>
    public static Task AnswerAsync(HttpContext http, DoorRefusal refusal)
    {
        http.Features.Set(refusal);
        var isOfPages = http.GetEndpoint()?.Metadata.GetMetadata<PageActionDescriptor>() is not null;
        // Whoever sees the newest delivery and has an older one open is led on to it.
        if (refusal == DoorRefusal.NotThere && isOfPages && Callers.AccessOf(http) is { IsNewest: true, Role: >= Role.Guest } && http.Request.RouteValues.ContainsKey("number"))
        {
            return Results.Redirect($"/projects/{Callers.ProjectOf(http)}/handover").ExecuteAsync(http);
        }
        var isPage = isOfPages || (HttpMethods.IsGet(http.Request.Method) && http.Request.Headers["Sec-Fetch-Dest"] == "document");
        if (refusal == DoorRefusal.SignIn && isPage)
        {
            return Results.Redirect($"/sign-in?to={Uri.EscapeDataString(http.Request.Path + http.Request.QueryString)}").ExecuteAsync(http);
        }
        var status = refusal == DoorRefusal.SignIn ? StatusCodes.Status401Unauthorized : refusal == DoorRefusal.TooLittle || refusal == DoorRefusal.SecondFactor ? StatusCodes.Status403Forbidden : StatusCodes.Status404NotFound;
        return (http.Request.Path.StartsWithSegments("/api") ? Problem.Of(status, refusal.Advice) : Results.StatusCode(status)).ExecuteAsync(http);
    }
}
