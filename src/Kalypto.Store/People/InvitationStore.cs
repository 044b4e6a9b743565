using System.Security.Cryptography;
using Npgsql;

namespace Kalypto.Store.People;

/// <summary>
/// Invitations. Each belongs to an address, is taken once, and ends with the rights of whoever made it. A code that is sent to
/// the address proves whose it is; of it and of the secret only hashes are kept.
/// </summary>
public sealed class InvitationStore(Database database)
{
    /// <summary>Wrong codes after which an invitation ends.</summary>
    public const int MostCodes = 5;

    // Whoever made it must still be one who may: an owner of the project, or one who looks after the server.
    private static readonly string Columns = $"""
        select i.id, i.kind, i.email, i.expires_at, i.project_id, coalesce(p.name, ''), i.role, i.person_id, i.made_by, i.maker_id from invitations i left join projects p on p.id = i.project_id
        where i.used_at is null and i.expires_at > now() and i.code_tries < {MostCodes} and (i.project_id is null or p.deleted_at is null)
        and (i.maker_id is null or exists (select from people m where m.id = i.maker_id and m.shut_at is null
          and (exists (select from members o where o.project_id = i.project_id and o.person_id = m.id and o.role = 'owner')
            or m.keeper and (i.project_id is null or not exists (select from members o join people q on q.id = o.person_id where o.project_id = i.project_id and o.role = 'owner' and q.shut_at is null)))))
        """;

    /// <summary>Keeps an invitation that is into no project.</summary>
    public async Task AddAsync(string secret, string code, InvitationRow invitation, CancellationToken cancel)
    {
        await using var connection = await database.Source.OpenConnectionAsync(cancel);
        await AddAsync(connection, secret, code, invitation, cancel);
    }

    /// <summary>Keeps an invitation into a project, and that it was made.</summary>
    public Task<StepDone> InviteAsync(Author author, string secret, string code, InvitationRow invitation, string label, CancellationToken cancel) => EditStore.LastingAsync(database, author, Role.Owner, async connection =>
    {
        // Whoever is invited again is invited as was said last.
        await connection.Command("delete from invitations where project_id = $1 and lower(email) = lower($2) and used_at is null", author.Project, invitation.Email).RunAsync(cancel);
        await AddAsync(connection, secret, code, invitation, cancel);
        return new(StepState.Done, label);
    }, cancel, evenArchived: true);

    /// <summary>The invitation of a secret, while it can be taken; null for any other.</summary>
    public async Task<InvitationRow?> OfSecretAsync(string secret, CancellationToken cancel) => (await database.Source.Command(Columns + " and i.hash = $1", Secret.Hash(secret)).ListAsync(Read, cancel)).FirstOrDefault();

    /// <summary>Those of a project that nobody took yet, the newest first.</summary>
    public Task<List<InvitationRow>> ListAsync(int project, CancellationToken cancel) => database.Source.Command(Columns + " and i.project_id = $1 order by i.id desc", project).ListAsync(Read, cancel);

    /// <summary>Takes an invitation; false when somebody was faster.</summary>
    public async Task<bool> TakeAsync(int id, CancellationToken cancel) =>
        await database.Source.Command("update invitations set used_at = now() where id = $1 and used_at is null and expires_at > now()", id).RunAsync(cancel) > 0;

    /// <summary>Compares a code with that of an invitation. Each try counts before it is compared.</summary>
    public async Task<bool> IsCodeAsync(int id, string secret, string code, CancellationToken cancel) => await database.Source
        .Command("update invitations set code_tries = code_tries + 1 where id = $1 and code_tries < $2 and used_at is null returning code", id, MostCodes)
        .ListAsync(r => r.Nullable<byte[]>(0), cancel) is [{ } hash] && CryptographicOperations.FixedTimeEquals(hash, HashOf(secret, code));

    /// <summary>Takes an invitation into a project back, and keeps that it was.</summary>
    public Task<StepDone> RemoveAsync(Author author, int id, string label, CancellationToken cancel) => EditStore.LastingAsync(database, author, Role.Owner, async connection =>
        await connection.Command("delete from invitations where project_id = $1 and id = $2 and used_at is null returning email", author.Project, id).ListAsync(r => r.GetString(0), cancel) is [var email]
            ? new(StepState.Done, $"{label} of {email}") : new(StepState.Nothing), cancel, evenArchived: true);

    /// <summary>Takes all back that let look after the server.</summary>
    public Task RemoveKeepersAsync(CancellationToken cancel) => database.Source.Command("delete from invitations where kind = 'Keeper' and used_at is null").RunAsync(cancel);

    private static Task AddAsync(NpgsqlConnection connection, string secret, string code, InvitationRow invitation, CancellationToken cancel) => connection
        .Command("insert into invitations (hash, kind, email, project_id, role, person_id, made_by, expires_at, maker_id, code) values ($1, $2, $3, $4, $5, $6, $7, $8, $9, $10)",
            Secret.Hash(secret), invitation.Kind.ToString(), invitation.Email, invitation.Project, invitation.Role.Text(), invitation.Person, invitation.MadeBy, invitation.ExpiresAt, invitation.Maker, HashOf(secret, code)).RunAsync(cancel);

    // With the secret, which is long: whoever reads the table cannot try all codes.
    private static byte[] HashOf(string secret, string code) => Secret.Hash($"{secret} {string.Concat(code.Where(char.IsAsciiDigit))}");

    private static InvitationRow Read(NpgsqlDataReader r) => new(r.GetInt32(0), Enum.Parse<InvitationKind>(r.GetString(1)), r.GetString(2), r.GetDateTime(3))
    {
        Project = r.Nullable<int?>(4),
        ProjectName = r.GetString(5),
        Role = Roles.Of(r.GetString(6)),
        Person = r.Nullable<int?>(7),
        MadeBy = r.GetString(8),
        Maker = r.Nullable<int?>(9),
    };
}
