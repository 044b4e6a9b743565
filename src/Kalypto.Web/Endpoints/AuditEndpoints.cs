using System.Text.Json;
using System.Text.Json.Serialization;
using Kalypto.Store.People;
using Kalypto.Web.Doors;

namespace Kalypto.Web.Endpoints;

/// <summary>The audit log as JSON lines (https://jsonlines.org): of a project for its owners, of all for whoever looks after the server.</summary>
internal static class AuditEndpoints
{
    private static readonly JsonSerializerOptions Options = new(JsonSerializerDefaults.Web) { Converters = { new JsonStringEnumConverter() } };

    public static void MapAudit(this IEndpointRouteBuilder app)
    {
        app.MapGet("/log.jsonl", (HttpContext http, string? sort, string? words, AuditStore store, Audit audit, CancellationToken cancel) => WriteAsync(http, null, sort, words, store, audit, cancel)).For(Need.Keeper);
        app.MapGet("/projects/{project:int}/log.jsonl", (HttpContext http, Entry entry, string? sort, string? words, AuditStore store, Audit audit, CancellationToken cancel) =>
            WriteAsync(http, entry.Author.Project, sort, words, store, audit, cancel)).OfProject().For(Need.Owner);
    }

    private static async Task WriteAsync(HttpContext http, int? project, string? sort, string? words, AuditStore store, Audit audit, CancellationToken cancel)
    {
        var query = QueryOf(project, sort, words);
        await audit.WriteAsync(http, AuditEvent.AuditExported, "");
        http.Response.ContentType = "application/jsonl";
        http.Response.Headers.ContentDisposition = "attachment; filename=\"kalypto-log.jsonl\"";
        http.Response.Headers.CacheControl = "no-store";
        await foreach (var row in store.AllAsync(query, cancel))
        {
            await http.Response.WriteAsync(JsonSerializer.Serialize(row, Options) + "\n", cancel);
        }
    }

    /// <summary>What an address asks for; an event that there is none of asks for all.</summary>
    public static AuditQuery QueryOf(int? project, string? sort, string? words, long? before = null) =>
        new(project, Enum.TryParse<AuditEvent>(sort, out var one) && Enum.IsDefined(one) ? one : null, words ?? "", before);
}
