using System.Globalization;
using System.Threading.RateLimiting;
using Kalypto.Application.BringingIn;
using Microsoft.AspNetCore.Mvc;

namespace Kalypto.Web.Doors;

/// <summary>How much one person, session or network may ask for at once: far more than a person does, far less than what would starve the others.</summary>
internal static class Limits
{
    /// <summary>Bytes of what is sent to any route but uploads.</summary>
    public const long MostBody = 4_000_000;

    /// <summary>Files being brought in at the same time; more wait.</summary>
    public const int Uploads = 3;

    /// <summary>Uploads that wait; more are refused.</summary>
    public const int WaitingUploads = 60;

    /// <summary>Streams of news: one an open page.</summary>
    public const int Streams = 60;

    /// <summary>Changes at once, such as of a script that works through a list.</summary>
    public const int Changes = 1200;

    /// <summary>Changes in a second, in the long run.</summary>
    public const int ChangesPerSecond = 200;

    /// <summary>Tries to come in within a minute from one address: by password, invitation or link.</summary>
    public const int Coming = 30;

    /// <summary>The policy of routes that people come in by.</summary>
    public const string ComingPolicy = "coming";

    private const string UploadPolicy = "uploads";
    private const string StreamPolicy = "streams";
    private const string ChangePolicy = "changes";

    /// <summary>Adds them.</summary>
    /// <param name="services">Where to.</param>
    /// <param name="coming">Tries to come in within a minute from one address.</param>
    public static void AddLimits(this IServiceCollection services, int coming) => services.AddRateLimiter(o =>
    {
        o.RejectionStatusCode = StatusCodes.Status429TooManyRequests;
        o.OnRejected = async (context, cancel) =>
        {
            var wait = context.Lease.TryGetMetadata(MetadataName.RetryAfter, out var after) ? Math.Max(1, (int)after.TotalSeconds) : 2;
            context.HttpContext.Response.Headers.RetryAfter = wait.ToString(CultureInfo.InvariantCulture);
            await Problem.Of(StatusCodes.Status429TooManyRequests, Failures.Say(StatusCodes.Status429TooManyRequests).Advice).ExecuteAsync(context.HttpContext);
        };
        o.AddPolicy(UploadPolicy, http => RateLimitPartition.GetConcurrencyLimiter(Uploader(http), _ => new() { PermitLimit = Uploads, QueueLimit = WaitingUploads }));
        o.AddPolicy(StreamPolicy, http => RateLimitPartition.GetConcurrencyLimiter(Who(http), _ => new() { PermitLimit = Streams }));
        // By the address alone: a cookie is thrown away as easily as it is got.
        o.AddPolicy(ComingPolicy, http => RateLimitPartition.GetFixedWindowLimiter(Network.Of(http.Connection.RemoteIpAddress), _ => new() { PermitLimit = coming, Window = TimeSpan.FromMinutes(1) }));
        o.AddPolicy(ChangePolicy, http => HttpMethods.IsGet(http.Request.Method) ? RateLimitPartition.GetNoLimiter("") : RateLimitPartition.GetTokenBucketLimiter(Who(http), _ => new()
        {
            TokenLimit = Changes,
            TokensPerPeriod = ChangesPerSecond,
            ReplenishmentPeriod = TimeSpan.FromSeconds(1),
        }));
    });

    /// <summary>Routes that change small things.</summary>
    public static RouteGroupBuilder Limited(this RouteGroupBuilder group) => group.RequireRateLimiting(ChangePolicy).WithMetadata(new RequestSizeLimitAttribute(MostBody));

    /// <summary>A route that takes files.</summary>
    public static RouteHandlerBuilder TakesFiles(this RouteHandlerBuilder route) => route.RequireRateLimiting(UploadPolicy).WithMetadata(new RequestSizeLimitAttribute(BringIn.MostBytes));

    /// <summary>A route that stays open.</summary>
    public static RouteHandlerBuilder StaysOpen(this RouteHandlerBuilder route) => route.RequireRateLimiting(StreamPolicy);

    // Whoever signed in by their account, whoever came by a link by their session, all others by their network: what a client makes up counts for nothing.
    private static string Who(HttpContext http) => Callers.AccessOf(http) is { IsHere: false } access
        ? access.Person is { } person ? $"person {person}" : access.Session > 0 ? $"session {access.Session}" : Network.Of(http.Connection.RemoteIpAddress)
        // Without accounts all come from this machine, and browsers are told apart so that one does not slow down another.
        : $"browser {Actors.Of(http).Id}";

    // All browsers of a machine together: what they upload lies in the memory of one server.
    private static string Uploader(HttpContext http) => Callers.AccessOf(http).IsHere ? Network.Of(http.Connection.RemoteIpAddress) : Who(http);
}
