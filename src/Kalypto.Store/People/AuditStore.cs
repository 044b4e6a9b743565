using System.Runtime.CompilerServices;
using Kalypto.Core.Naming;

namespace Kalypto.Store.People;

/// <summary>The audit log: a table that rows are only added to. The database itself refuses to change one.</summary>
public sealed class AuditStore(Database database)
{
    private const int LongestText = 300;
    private const int OnePage = 1000;

    /// <summary>Adds a row.</summary>
    public Task AddAsync(AuditEntry entry, CancellationToken cancel) => database.Source
        .Command("insert into audit (event, who, person_id, project_id, network, about) values ($1, $2, $3, $4, $5, $6)",
            entry.Event.ToString(), PlainText.Clean(entry.Who, LongestText), entry.Person, entry.Project, entry.Network, PlainText.Clean(entry.About, LongestText, "…")).RunAsync(cancel);

    /// <summary>Rows, the newest first.</summary>
    /// <param name="query">Which.</param>
    /// <param name="most">How many at the most.</param>
    /// <param name="cancel">Ends the wait.</param>
    public Task<List<AuditEntry>> ListAsync(AuditQuery query, int most, CancellationToken cancel) => database.Source.Command("""
        select id, at, event, who, person_id, project_id, network, about from audit
        where ($1::int is null or project_id = $1) and ($2::text is null or event = $2) and ($3 = '' or strpos(lower(who || ' ' || network || ' ' || about), lower($3)) > 0) and ($4::bigint is null or id < $4)
        order by id desc limit $5
        """, query.Project, query.Event?.ToString(), query.Words, query.Before, most).ListAsync(r => new AuditEntry(
            Enum.Parse<AuditEvent>(r.GetString(2)), r.GetString(3), r.Nullable<int?>(4), r.Nullable<int?>(5), r.GetString(6), r.GetString(7))
    {
        Id = r.GetInt64(0),
        At = r.GetDateTime(1),
    }, cancel);

    /// <summary>All rows of a query, the newest first, a page at a time.</summary>
    public async IAsyncEnumerable<AuditEntry> AllAsync(AuditQuery query, [EnumeratorCancellation] CancellationToken cancel)
    {
        for (var before = query.Before; ;)
        {
            var page = await ListAsync(query with { Before = before }, OnePage, cancel);
            foreach (var entry in page)
            {
                yield return entry;
            }
            if (page.Count < OnePage)
            {
                yield break;
            }
            before = page[^1].Id;
        }
    }

    /// <summary>Removes rows that are older than the log is kept; the database keeps those of the last 30 days in any case.</summary>
    public Task CleanAsync(TimeSpan kept, CancellationToken cancel) => database.Source
        .Command("delete from audit where at < now() - greatest($1, interval '31 days')", kept).RunAsync(cancel);
}
