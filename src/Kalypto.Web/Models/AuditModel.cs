using Kalypto.Store.People;

namespace Kalypto.Web.Models;

/// <summary>A page of the audit log.</summary>
/// <param name="Query">What was asked for.</param>
/// <param name="Rows">The rows, the newest first.</param>
/// <param name="Next">The number that the next page begins before; null on the last.</param>
/// <param name="At">The address of the page, without what is asked for.</param>
public sealed record AuditModel(AuditQuery Query, IReadOnlyList<AuditEntry> Rows, long? Next, string At)
{
    private const int Most = 100;

    /// <summary>What was asked for, as the query of an address.</summary>
    public string Asked => $"?sort={Query.Event}&words={Uri.EscapeDataString(Query.Words)}";

    /// <summary>Reads it.</summary>
    public static async Task<AuditModel> OfAsync(AuditStore store, AuditQuery query, string at, CancellationToken cancel)
    {
        var rows = await store.ListAsync(query, Most + 1, cancel);
        return new(query, [.. rows.Take(Most)], rows.Count > Most ? rows[Most - 1].Id : null, at);
    }
}
