using System.Diagnostics;
using System.Globalization;

namespace Kalypto.Web;

/// <summary>Says in every answer how long the server took for it (W3C Server Timing), for browsers' tools and the benchmarks.</summary>
internal static class ServerTiming
{
    public static Task AddAsync(HttpContext context, RequestDelegate next)
    {
        var start = Stopwatch.GetTimestamp();
        context.Response.OnStarting(() =>
        {
            context.Response.Headers["Server-Timing"] = string.Create(CultureInfo.InvariantCulture, $"all;dur={Stopwatch.GetElapsedTime(start).TotalMilliseconds:0.0}");
            return Task.CompletedTask;
        });
        return next(context);
    }
}
