using Microsoft.AspNetCore.Diagnostics;

namespace Kalypto.Web.Doors;

/// <summary>Turns failures and empty refusals into answers: problem details for scripts, a page for people.</summary>
internal static class FailureAnswers
{
    /// <summary>Adds it, before anything that may fail.</summary>
    public static void UseFailureAnswers(this WebApplication app)
    {
        app.UseWhen(IsApi, api =>
        {
            api.UseExceptionHandler(new ExceptionHandlerOptions { ExceptionHandler = WriteAsync, StatusCodeSelector = Failures.StatusOf });
            api.UseStatusCodePages(context => WriteAsync(context.HttpContext));
        });
        app.UseWhen(http => !IsApi(http), pages =>
        {
            pages.UseExceptionHandler(new ExceptionHandlerOptions { ExceptionHandlingPath = "/error", StatusCodeSelector = Failures.StatusOf });
            pages.UseStatusCodePagesWithReExecute("/error", "?code={0}");
        });
    }

    private static bool IsApi(HttpContext http) => http.Request.Path.StartsWithSegments("/api");

    private static Task WriteAsync(HttpContext http)
    {
        var status = http.Response.StatusCode;
        if (status is StatusCodes.Status503ServiceUnavailable or StatusCodes.Status507InsufficientStorage)
        {
            http.Response.Headers.RetryAfter = "5";
        }
        return Problem.Of(status, Failures.Say(status, http.Features.Get<IExceptionHandlerFeature>()?.Error).Advice).ExecuteAsync(http);
    }
}
