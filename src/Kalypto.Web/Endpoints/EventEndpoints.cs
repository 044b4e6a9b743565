using Kalypto.Application.Desk;
using Kalypto.Store;
using Kalypto.Web.Doors;

namespace Kalypto.Web.Endpoints;

/// <summary>Tells open pages that something got ready or was changed: they ask again for what they show.</summary>
internal static class EventEndpoints
{
    // Pages ask again at most this often while much is drawn.
    private static readonly TimeSpan Pause = TimeSpan.FromMilliseconds(250);

    // A stream outlives the request that it began with, so whether it may go on is asked again.
    private static readonly TimeSpan Asked = TimeSpan.FromSeconds(10);

    public static void MapEvents(this RouteGroupBuilder project) => project.MapGet("/events", async (
        Entry entry, string? page, long? since, HttpRequest request, HttpResponse response, Notices notices, Callers callers, IHostApplicationLifetime lifetime, CancellationToken cancel) =>
    {
        response.ContentType = "text/event-stream";
        response.Headers.CacheControl = "no-store";
        using var ending = CancellationTokenSource.CreateLinkedTokenSource(cancel, lifetime.ApplicationStopping);
        try
        {
            // What came since the page was made, or since it was last heard of; numbers of an earlier server say nothing.
            var known = long.TryParse(request.Headers["Last-Event-ID"], out var heard) ? heard : since ?? notices.Last;
            known = known > notices.Last ? -1 : known;
            await response.WriteAsync("retry: 2000\n\n", ending.Token);
            await response.Body.FlushAsync(ending.Token);
            while (!ending.IsCancellationRequested && await IsOpenAsync(request.HttpContext, entry, callers))
            {
                // Taken before it is looked, so that nothing given meanwhile is missed.
                var (next, last) = (notices.Next, notices.Last);
                var concerns = known < 0 || notices.Concern(known, entry.Author.Project, page ?? "");
                known = last;
                if (!concerns)
                {
                    await Task.WhenAny(next, Task.Delay(Asked, ending.Token));
                    continue;
                }
                await response.WriteAsync($"id: {known}\nevent: changed\ndata: {known}\n\n", ending.Token);
                await response.Body.FlushAsync(ending.Token);
                await Task.Delay(Pause, ending.Token);
            }
        }
        catch (Exception e) when (e is OperationCanceledException or Npgsql.NpgsqlException)
        {
            // The page was left, the server stops, or the database is away: the page asks again by itself.
        }
    }).StaysOpen().WithMetadata(new OfNewestDeliveryAttribute());

    // Somebody who was taken out, signed out or whose link was revoked hears nothing more.
    private static async Task<bool> IsOpenAsync(HttpContext http, Entry entry, Callers callers) => await callers.AskAsync(http) is var now
        && now.Role >= Role.Developer && now.Person == entry.Access.Person && now.Link == entry.Access.Link;
}
