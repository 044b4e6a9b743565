using Microsoft.AspNetCore.Diagnostics.HealthChecks;
using Microsoft.Extensions.Diagnostics.HealthChecks;

namespace Kalypto.Web.Doors;

/// <summary>What is answered when somebody asks whether the server is well: whether it can do its work, and each check with what it found.</summary>
internal static class HealthAnswers
{
    /// <summary>The check of the database: without it nothing is answered.</summary>
    public const string Ready = "ready";

    /// <summary>Adds the checks.</summary>
    public static void AddHealth(this IServiceCollection services) => services.AddHealthChecks()
        .AddCheck<DatabaseHealth>("database", tags: [Ready], timeout: TimeSpan.FromSeconds(5)).AddCheck<ProtectionHealth>("protection");

    /// <summary>Adds the routes: all of it, whether requests can be answered, and whether the process lives.</summary>
    public static void MapHealth(this WebApplication app)
    {
        app.MapHealthChecks("/health", new() { ResponseWriter = WriteAsync }).AllowAnonymous();
        app.MapHealthChecks("/health/ready", new HealthCheckOptions { Predicate = c => c.Tags.Contains(Ready), ResponseWriter = WriteAsync }).AllowAnonymous();
        app.MapHealthChecks("/health/live", new HealthCheckOptions { Predicate = _ => false }).AllowAnonymous();
    }

    private static Task WriteAsync(HttpContext http, HealthReport report) => http.Response.WriteAsJsonAsync(new
    {
        status = report.Status.ToString(),
        checks = report.Entries.ToDictionary(e => e.Key, e => new { status = e.Value.Status.ToString(), says = e.Value.Description }),
    });
}
