using Npgsql;

namespace Kalypto.Store.People;

/// <summary>Invitations. Each is taken once.</summary>
public sealed class InvitationStore(Database database)
{
    private const string Columns = """
        select i.id, i.kind, i.email, i.expires_at, i.project_id, coalesce(p.name, ''), i.role, i.person_id, i.made_by from invitations i left join projects p on p.id = i.project_id
        where i.used_at is null and i.expires_at > now()
        """;

    /// <summary>Keeps an invitation that is into no project.</summary>
    public async Task AddAsync(string secret, InvitationRow invitation, CancellationToken cancel)
    {
        await using var connection = await database.Source.OpenConnectionAsync(cancel);
        await AddAsync(connection, secret, invitation, cancel);
    }

    /// <summary>Keeps an invitation into a project, and that it was made.</summary>
    public Task<StepDone> InviteAsync(Author author, string secret, InvitationRow invitation, string label, CancellationToken cancel) => EditStore.LastingAsync(database, author, async connection =>
    {
        // Whoever is invited again is invited as was said last.
        await connection.Command("delete from invitations where project_id = $1 and lower(email) = lower($2) and used_at is null", author.Project, invitation.Email).RunAsync(cancel);
        await AddAsync(connection, secret, invitation, cancel);
        return new(StepState.Done, label);
    }, cancel);

    /// <summary>The invitation of a secret, while it can be taken; null for any other.</summary>
    public async Task<InvitationRow?> OfSecretAsync(string secret, CancellationToken cancel) => (await database.Source.Command(Columns + " and i.hash = $1", Secret.Hash(secret)).ListAsync(Read, cancel)).FirstOrDefault();

    /// <summary>Those of a project that nobody took yet, the newest first.</summary>
    public Task<List<InvitationRow>> ListAsync(int project, CancellationToken cancel) => database.Source.Command(Columns + " and i.project_id = $1 order by i.id desc", project).ListAsync(Read, cancel);

    /// <summary>Takes an invitation; false when somebody was faster.</summary>
    public async Task<bool> TakeAsync(int id, CancellationToken cancel) =>
        await database.Source.Command("update invitations set used_at = now() where id = $1 and used_at is null and expires_at > now()", id).RunAsync(cancel) > 0;

    /// <summary>Takes an invitation into a project back, and keeps that it was.</summary>
    public Task<StepDone> RemoveAsync(Author author, int id, string label, CancellationToken cancel) => EditStore.LastingAsync(database, author, async connection =>
        await connection.Command("delete from invitations where project_id = $1 and id = $2 and used_at is null returning email", author.Project, id).ListAsync(r => r.GetString(0), cancel) is [var email]
            ? new(StepState.Done, $"{label} of {email}") : new(StepState.Nothing), cancel);

    /// <summary>Takes all back that let look after the server.</summary>
    public Task RemoveKeepersAsync(CancellationToken cancel) => database.Source.Command("delete from invitations where kind = 'Keeper' and used_at is null").RunAsync(cancel);

    private static Task AddAsync(NpgsqlConnection connection, string secret, InvitationRow invitation, CancellationToken cancel) => connection
        .Command("insert into invitations (hash, kind, email, project_id, role, person_id, made_by, expires_at) values ($1, $2, $3, $4, $5, $6, $7, $8)",
            Secret.Hash(secret), invitation.Kind.ToString(), invitation.Email, invitation.Project, invitation.Role.Text(), invitation.Person, invitation.MadeBy, invitation.ExpiresAt).RunAsync(cancel);

    private static InvitationRow Read(NpgsqlDataReader r) => new(r.GetInt32(0), Enum.Parse<InvitationKind>(r.GetString(1)), r.GetString(2), r.GetDateTime(3))
    {
        Project = r.Nullable<int?>(4),
        ProjectName = r.GetString(5),
        Role = Roles.Of(r.GetString(6)),
        Person = r.Nullable<int?>(7),
        MadeBy = r.GetString(8),
    };
}
