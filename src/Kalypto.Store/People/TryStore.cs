using System.Security.Cryptography;
using System.Text;

namespace Kalypto.Store.People;

/// <summary>
/// Counts tries to come in, so that guessing is slow. A try is counted before its password is looked at, so that many at once
/// count as many. Each network has tries of its own, and all networks together have some; a device that the account signed in
/// with before counts by itself, so that a stranger who guesses keeps nobody out of their own account.
/// </summary>
public sealed class TryStore(Database database)
{
    /// <summary>Tries on one account or link, from one network, in <see cref="Window"/>.</summary>
    public const int FromNetwork = 5;

    /// <summary>The same from a device that is known.</summary>
    public const int FromDevice = 10;

    /// <summary>The same from all networks together.</summary>
    public const int FromAnywhere = 50;

    /// <summary>How long tries are counted together, from the first of them.</summary>
    public static readonly TimeSpan Window = TimeSpan.FromMinutes(5);

    private const string Anywhere = "*";

    /// <summary>The account of an address, whether there is one or not.</summary>
    public static byte[] OfAccount(string email) => SHA256.HashData(Encoding.UTF8.GetBytes($"account {PeopleStore.KeyOf(email)}"));

    /// <summary>A link.</summary>
    public static byte[] OfLink(int link) => SHA256.HashData(Encoding.UTF8.GetBytes($"link {link}"));

    /// <summary>Counts a try.</summary>
    /// <param name="subject">The account or the link.</param>
    /// <param name="network">The network that it comes from.</param>
    /// <param name="device">The secret of a device that the account is known on; null for any other.</param>
    /// <param name="cancel">Ends the wait.</param>
    /// <returns>False when too many were tried already: then no password is right.</returns>
    public async Task<bool> BeginAsync(byte[] subject, string network, string? device, CancellationToken cancel)
    {
        const string Count = """
            insert into sign_in_tries as t (subject, origin, tries, since) values ($1, $2, 1, now())
            on conflict (subject, origin) do update set tries = case when t.since < now() - $3 then 1 else t.tries + 1 end, since = case when t.since < now() - $3 then now() else t.since end
            returning tries
            """;
        if (device is not null)
        {
            return await database.Source.Command(Count, subject, OriginOf(device), Window).ScalarAsync<int>(cancel) <= FromDevice;
        }
        var near = await database.Source.Command(Count, subject, network, Window).ScalarAsync<int>(cancel);
        // What one network may not try any more uses up nothing of what the others may.
        return near <= FromNetwork && await database.Source.Command(Count, subject, Anywhere, Window).ScalarAsync<int>(cancel) <= FromAnywhere;
    }

    /// <summary>Forgets the tries of a network or a device, after the right password.</summary>
    public Task SucceededAsync(byte[] subject, string network, string? device, CancellationToken cancel) => database.Source
        .Command("delete from sign_in_tries where subject = $1 and origin = $2", subject, device is null ? network : OriginOf(device)).RunAsync(cancel);

    /// <summary>True when an account signed in with a device before.</summary>
    public Task<bool> IsKnownAsync(string email, string device, CancellationToken cancel) => database.Source
        .Command("select exists (select from known_devices d join people p on p.id = d.person_id where p.email_key = $1 and d.hash = $2)", PeopleStore.KeyOf(email), Secret.Hash(device)).ScalarAsync<bool>(cancel);

    /// <summary>Remembers that an account signed in with a device.</summary>
    public Task KnowAsync(int person, string device, CancellationToken cancel) => database.Source
        .Command("insert into known_devices (person_id, hash) values ($1, $2) on conflict (person_id, hash) do update set used_at = now()", person, Secret.Hash(device)).RunAsync(cancel);

    private static string OriginOf(string device) => $"device {Convert.ToHexStringLower(Secret.Hash(device))}";
}
