using Npgsql;

namespace Kalypto.Store.People;

/// <summary>The accounts.</summary>
public sealed class PeopleStore(Database database)
{
    private const string Columns = "select id, name, email, password, stamp, failed, locked_until, keeper, shut_at from people";

    /// <summary>How an address is looked for.</summary>
    public static string KeyOf(string email) => email.Trim().ToUpperInvariant();

    /// <summary>All accounts, by name.</summary>
    public Task<List<PersonRow>> AllAsync(CancellationToken cancel) => database.Source.Command(Columns + " order by lower(name), id").ListAsync(Read, cancel);

    /// <summary>One account; null when there is none.</summary>
    public async Task<PersonRow?> FindAsync(int id, CancellationToken cancel) => (await database.Source.Command(Columns + " where id = $1", id).ListAsync(Read, cancel)).FirstOrDefault();

    /// <summary>The account of an address; null when there is none.</summary>
    public async Task<PersonRow?> OfEmailAsync(string email, CancellationToken cancel) =>
        (await database.Source.Command(Columns + " where email_key = $1", KeyOf(email)).ListAsync(Read, cancel)).FirstOrDefault();

    /// <summary>True when somebody looks after the server and can come in.</summary>
    public Task<bool> HasKeeperAsync(CancellationToken cancel) => database.Source.Command("select exists (select from people where keeper and shut_at is null)").ScalarAsync<bool>(cancel);

    /// <summary>Makes an account; null when there is one of this address.</summary>
    public async Task<int?> AddAsync(PersonRow person, CancellationToken cancel) => (await database.Source
        .Command("insert into people (name, email, email_key, password, stamp, keeper) values ($1, $2, $3, $4, $5, $6) on conflict do nothing returning id",
            person.Name, person.Email.Trim(), KeyOf(person.Email), person.Password, person.Stamp, person.IsKeeper).ListAsync(r => (int?)r.GetInt32(0), cancel)).FirstOrDefault();

    /// <summary>Shuts an account, or opens it again, and touches nothing else of it.</summary>
    public Task ShutAsync(int person, DateTime? at, CancellationToken cancel) => database.Source.Command("update people set shut_at = $2 where id = $1", person, at).RunAsync(cancel);

    /// <summary>Keeps the name, the password and the tries of an account; whether it is shut, and what it looks after, stay as they are.</summary>
    public Task KeepAsync(PersonRow person, CancellationToken cancel) => database.Source
        .Command("update people set name = $2, password = $3, stamp = $4, failed = $5, locked_until = $6 where id = $1",
            person.Id, person.Name, person.Password, person.Stamp, person.Failed, person.LockedUntil).RunAsync(cancel);

    private static PersonRow Read(NpgsqlDataReader r) => new(r.GetInt32(0), r.GetString(1), r.GetString(2), r.GetString(3))
    {
        Stamp = r.GetString(4),
        Failed = r.GetInt32(5),
        LockedUntil = r.Time(6),
        IsKeeper = r.GetBoolean(7),
        ShutAt = r.Time(8),
    };
}
