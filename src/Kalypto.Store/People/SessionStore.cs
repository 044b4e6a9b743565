using Npgsql;

namespace Kalypto.Store.People;

/// <summary>Browsers that came in, and what they may do: asked at every request, so what is ended or revoked ends at once.</summary>
public sealed class SessionStore(Database database)
{
    /// <summary>How long a session lasts that is not used.</summary>
    public static readonly TimeSpan Lasts = TimeSpan.FromDays(30);

    // The time of the last use is not written at each request.
    private static readonly TimeSpan Grain = TimeSpan.FromMinutes(1);

    /// <summary>Who a browser belongs to.</summary>
    /// <param name="secret">What stands in its cookie.</param>
    /// <param name="project">The project that they want to go into; 0 for none.</param>
    /// <param name="cancel">Ends the wait.</param>
    public async Task<Access> OfAsync(string secret, int project, CancellationToken cancel)
    {
        var hash = Secret.Hash(secret);
        await using var batch = database.Source.Batch(
            ($"update sessions set used_at = now() where hash = $1 and used_at < now() - $2 and used_at > now() - $3", [hash, Grain, Lasts]),
            ("""
            update links l set used_at = now() from session_links sl join sessions s on s.id = sl.session_id
            where s.hash = $1 and l.id = sl.link_id and (l.project_id = $2 or $2 = 0) and (l.used_at is null or l.used_at < now() - $3)
            """, [hash, project, Grain]),
            ($"""
            select s.id, p.id, p.name, p.keeper, case when $2 > 0 then {Readable.Role("$2", "p.id")} end,
              exists (select from members m join projects mj on mj.id = m.project_id and mj.second_factor where m.project_id = $2 and m.person_id = p.id and not p.second_factor)
            from sessions s left join people p on p.id = s.person_id and p.shut_at is null
            where s.hash = $1 and s.used_at > now() - $3
            """, [hash, project, Lasts]),
            // A link to the newest delivery is one to whichever that is now, and to no other.
            ("""
            select l.id, l.label, l.role, coalesce(l.delivery, (select max(b.number) from builds b where b.project_id = l.project_id), 0), l.delivery is null from sessions s join session_links sl on sl.session_id = s.id join links l on l.id = sl.link_id
            where s.hash = $1 and s.used_at > now() - $3 and (l.project_id = $2 or $2 = 0) and l.revoked_at is null and (l.expires_at is null or l.expires_at > now())
            """, [hash, project, Lasts]));
        await using var reader = await batch.ExecuteReaderAsync(cancel);
        var people = await reader.RestAsync(ReadPerson, cancel);
        await reader.NextResultAsync(cancel);
        var links = await reader.RestAsync(r => new Access(0, null, r.GetString(1), project == 0 ? Role.None : Roles.Of(r.GetString(2))) { Link = r.GetInt32(0), Delivery = r.GetInt32(3), IsNewest = r.GetBoolean(4) }, cancel);
        if (people is not [var person])
        {
            return Access.Nobody;
        }
        // Whoever has an account and a link goes in by what lets them do more; a link to the newest goes before one to a set delivery.
        return links.OrderByDescending(l => l.Role).ThenByDescending(l => l.IsNewest).ThenByDescending(l => l.Link).FirstOrDefault() is { } link && (person.Person is null || link.Role > person.Role)
            ? link with { Session = person.Session, Person = person.Person, IsKeeper = person.IsKeeper, Name = person.Person is null ? link.Name : person.Name }
            : person;
    }

    /// <summary>Begins a session, in the place of one that the browser has, and gives its secret. Links that it came by stay.</summary>
    public async Task<string> BeginAsync(int? person, string browser, string? before, CancellationToken cancel)
    {
        var secret = Secret.New();
        await using var connection = await database.Source.OpenConnectionAsync(cancel);
        await using var transaction = await connection.BeginTransactionAsync(cancel);
        var id = await connection.Command("insert into sessions (hash, person_id, browser) values ($1, $2, $3) returning id", Secret.Hash(secret), person, browser).ScalarAsync<int>(cancel);
        if (before is not null)
        {
            await connection.Command("update session_links set session_id = $2 where session_id = (select id from sessions where hash = $1)", Secret.Hash(before), id).RunAsync(cancel);
            await connection.Command("delete from sessions where hash = $1", Secret.Hash(before)).RunAsync(cancel);
        }
        await connection.Command("delete from sessions where used_at < now() - $1", Lasts).RunAsync(cancel);
        await transaction.CommitAsync(cancel);
        return secret;
    }

    /// <summary>Lets a session in by a link, too.</summary>
    public Task LetInAsync(string secret, int link, CancellationToken cancel) => database.Source
        .Command("insert into session_links (session_id, link_id) select id, $2 from sessions where hash = $1 on conflict do nothing", Secret.Hash(secret), link).RunAsync(cancel);

    /// <summary>Ends a session by its secret.</summary>
    public Task EndAsync(string secret, CancellationToken cancel) => database.Source.Command("delete from sessions where hash = $1", Secret.Hash(secret)).RunAsync(cancel);

    /// <summary>Ends one of a person's sessions.</summary>
    public async Task<bool> EndAsync(int person, int session, CancellationToken cancel) =>
        await database.Source.Command("delete from sessions where person_id = $1 and id = $2", person, session).RunAsync(cancel) > 0;

    /// <summary>Ends all of a person's sessions but one.</summary>
    public Task EndAllAsync(int person, int but, CancellationToken cancel) => database.Source.Command("delete from sessions where person_id = $1 and id <> $2", person, but).RunAsync(cancel);

    /// <summary>The sessions of a person, the last used first.</summary>
    public Task<List<SessionRow>> ListAsync(int person, CancellationToken cancel) => database.Source
        .Command("select id, browser, made_at, used_at from sessions where person_id = $1 and used_at > now() - $2 order by used_at desc, id desc", person, Lasts)
        .ListAsync(r => new SessionRow(r.GetInt32(0), r.GetString(1), r.GetDateTime(2), r.GetDateTime(3)), cancel);

    private static Access ReadPerson(NpgsqlDataReader r) => r.IsDBNull(1) ? Access.Nobody with { Session = r.GetInt32(0) }
        : new(r.GetInt32(0), r.GetInt32(1), r.GetString(2), Roles.Of(r.Nullable<string>(4))) { IsKeeper = r.GetBoolean(3), LacksSecondFactor = r.GetBoolean(5) };
}
