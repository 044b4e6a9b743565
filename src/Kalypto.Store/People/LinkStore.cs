using Npgsql;

namespace Kalypto.Store.People;

/// <summary>Links into projects. What makes or revokes one stands in the history of the project, to stay.</summary>
public sealed class LinkStore(Database database)
{
    private const string Columns = "select id, project_id, delivery, role, label, password, made_by, made_at, expires_at, revoked_at, used_at from links";

    /// <summary>The links of a project, the newest first.</summary>
    public Task<List<LinkRow>> ListAsync(int project, CancellationToken cancel) => database.Source.Command(Columns + " where project_id = $1 order by id desc", project).ListAsync(Read, cancel);

    /// <summary>The link of a secret, while it lets in; null for any other.</summary>
    public async Task<LinkRow?> OfSecretAsync(string secret, CancellationToken cancel) => (await database.Source.Command($"""
        {Columns} where hash = $1 and revoked_at is null and (expires_at is null or expires_at > now())
        and exists (select from projects p where p.id = project_id and p.deleted_at is null)
        """, Secret.Hash(secret)).ListAsync(Read, cancel)).FirstOrDefault();

    /// <summary>Makes a link.</summary>
    public Task<StepDone> AddAsync(Author author, string secret, LinkRow link, string label, CancellationToken cancel) => LastAsync(author, label, connection => connection
        .Command("insert into links (hash, project_id, delivery, role, label, password, made_by, expires_at) values ($1, $2, $3, $4, $5, $6, $7, $8)",
            Secret.Hash(secret), author.Project, link.Delivery, link.Role.Text(), link.Label, link.Password, author.Actor.Name, link.ExpiresAt), cancel);

    /// <summary>Lets nobody in by a link any more.</summary>
    public Task<StepDone> RevokeAsync(Author author, int link, string label, CancellationToken cancel) => LastAsync(author, label, connection => connection
        .Command("update links set revoked_at = now() where project_id = $1 and id = $2 and revoked_at is null", author.Project, link), cancel);

    private Task<StepDone> LastAsync(Author author, string label, Func<NpgsqlConnection, NpgsqlCommand> change, CancellationToken cancel) =>
        EditStore.LastingAsync(database, author, Role.Owner, async connection => new(await change(connection).RunAsync(cancel) == 0 ? StepState.Nothing : StepState.Done, label), cancel, evenArchived: true);

    private static LinkRow Read(NpgsqlDataReader r) => new(r.GetInt32(0), r.GetInt32(1), r.Nullable<int?>(2), Roles.Of(r.GetString(3)), r.GetString(4))
    {
        Password = r.GetString(5),
        MadeBy = r.GetString(6),
        MadeAt = r.GetDateTime(7),
        ExpiresAt = r.Time(8),
        RevokedAt = r.Time(9),
        UsedAt = r.Time(10),
    };
}
