using Npgsql;

namespace Kalypto.Store.People;

/// <summary>The accounts.</summary>
public sealed class PeopleStore(Database database)
{
    private const string Columns = "select id, name, email, password, stamp, keeper, shut_at, authenticator, second_factor, recovery from people";

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

    /// <summary>Shuts an account and ends its sessions, or opens it again; touches nothing else of it.</summary>
    public Task ShutAsync(int person, DateTime? at, CancellationToken cancel) => database.Source.RunAllAsync(cancel,
        ("update people set shut_at = $2 where id = $1", [person, at]), ("delete from sessions where person_id = $1 and $2::timestamptz is not null", [person, at]));

    /// <summary>Changes the name of an account and nothing else.</summary>
    public Task NameAsync(int person, string name, CancellationToken cancel) => database.Source.Command("update people set name = $2 where id = $1", person, name).RunAsync(cancel);

    /// <summary>Changes the second factor of an account and nothing else.</summary>
    public Task SecondFactorAsync(PersonRow person, CancellationToken cancel) => database.Source
        .Command("update people set authenticator = $2, second_factor = $3, recovery = $4 where id = $1", person.Id, person.Authenticator, person.HasSecondFactor, person.Recovery.ToArray()).RunAsync(cancel);

    /// <summary>Uses up a recovery code; false when there is no such code, or not any more.</summary>
    public async Task<bool> RedeemAsync(int person, string hash, CancellationToken cancel) => await database.Source
        .Command("update people set recovery = array_remove(recovery, $2) where id = $1 and $2 = any(recovery)", person, hash).RunAsync(cancel) > 0;

    /// <summary>Uses up a code of an authenticator; false when it is the one that was used last.</summary>
    public async Task<bool> UseCodeAsync(int person, string code, CancellationToken cancel) => await database.Source
        .Command("update people set used_code = $2 where id = $1 and used_code is distinct from $2", person, Convert.ToHexStringLower(Secret.Hash(code))).RunAsync(cancel) > 0;

    /// <summary>Changes the password of an account, unless it was changed since it was read.</summary>
    /// <param name="person">The account.</param>
    /// <param name="password">The hash of the new password.</param>
    /// <param name="stamp">Its new stamp.</param>
    /// <param name="readStamp">The stamp that was read.</param>
    /// <param name="cancel">Ends the wait.</param>
    /// <returns>False when it was changed since.</returns>
    public async Task<bool> PasswordAsync(int person, string password, string stamp, string readStamp, CancellationToken cancel) => await database.Source
        .Command("update people set password = $2, stamp = $3 where id = $1 and stamp = $4", person, password, stamp, readStamp).RunAsync(cancel) > 0;

    private static PersonRow Read(NpgsqlDataReader r) => new(r.GetInt32(0), r.GetString(1), r.GetString(2), r.GetString(3))
    {
        Stamp = r.GetString(4),
        IsKeeper = r.GetBoolean(5),
        ShutAt = r.Time(6),
        Authenticator = r.GetString(7),
        HasSecondFactor = r.GetBoolean(8),
        Recovery = r.GetFieldValue<string[]>(9),
    };
}
