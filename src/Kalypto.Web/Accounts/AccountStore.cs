using System.Globalization;
using System.Security.Cryptography;
using Kalypto.Store.People;
using Microsoft.AspNetCore.DataProtection;
using Microsoft.AspNetCore.Identity;

namespace Kalypto.Web.Accounts;

/// <summary>What Identity needs of the people that are kept: their password and its stamp, and their second factor. Only what was changed is written, and a password only when nobody changed it since it was read.</summary>
internal sealed class AccountStore(PeopleStore people, IDataProtectionProvider protection) : IUserPasswordStore<Account>, IUserSecurityStampStore<Account>,
    IUserAuthenticatorKeyStore<Account>, IUserTwoFactorStore<Account>, IUserTwoFactorRecoveryCodeStore<Account>
{
    private readonly IDataProtector keys = protection.CreateProtector("Kalypto.Authenticator");

    public async Task<IdentityResult> CreateAsync(Account user, CancellationToken cancellationToken)
    {
        if (await people.AddAsync(user.Row, cancellationToken) is not { } id)
        {
            return IdentityResult.Failed(new IdentityErrorDescriber().DuplicateUserName(user.Row.Email));
        }
        user.Row = user.Read = user.Row with { Id = id };
        return IdentityResult.Success;
    }

    public async Task<IdentityResult> UpdateAsync(Account user, CancellationToken cancellationToken)
    {
        var (read, row) = (user.Read, user.Row);
        if (row.Password != read.Password || row.Stamp != read.Stamp)
        {
            if (!await people.PasswordAsync(row.Id, row.Password, row.Stamp, read.Stamp, cancellationToken))
            {
                return IdentityResult.Failed(new IdentityErrorDescriber().ConcurrencyFailure());
            }
        }
        if (row.Name != read.Name)
        {
            await people.NameAsync(row.Id, row.Name, cancellationToken);
        }
        if ((row.Authenticator, row.HasSecondFactor) != (read.Authenticator, read.HasSecondFactor) || !ReferenceEquals(row.Recovery, read.Recovery))
        {
            await people.SecondFactorAsync(row, cancellationToken);
        }
        user.Read = row;
        return IdentityResult.Success;
    }

    public Task<IdentityResult> DeleteAsync(Account user, CancellationToken cancellationToken) => throw new NotSupportedException("Accounts are shut, not deleted.");

    public async Task<Account?> FindByIdAsync(string userId, CancellationToken cancellationToken) =>
        int.TryParse(userId, NumberStyles.None, CultureInfo.InvariantCulture, out var id) && await people.FindAsync(id, cancellationToken) is { } row ? Account.Of(row) : null;

    public async Task<Account?> FindByNameAsync(string normalizedUserName, CancellationToken cancellationToken) =>
        await people.OfEmailAsync(normalizedUserName, cancellationToken) is { } row ? Account.Of(row) : null;

    public Task<string> GetUserIdAsync(Account user, CancellationToken cancellationToken) => Task.FromResult(user.Row.Id.ToString(CultureInfo.InvariantCulture));

    public Task<string?> GetUserNameAsync(Account user, CancellationToken cancellationToken) => Task.FromResult<string?>(user.Row.Email);

    public Task<string?> GetNormalizedUserNameAsync(Account user, CancellationToken cancellationToken) => Task.FromResult<string?>(PeopleStore.KeyOf(user.Row.Email));

    public Task SetUserNameAsync(Account user, string? userName, CancellationToken cancellationToken) => Set(user, user.Row with { Email = userName ?? "" });

    // It follows from the address.
    public Task SetNormalizedUserNameAsync(Account user, string? normalizedName, CancellationToken cancellationToken) => Task.CompletedTask;

    public Task<string?> GetPasswordHashAsync(Account user, CancellationToken cancellationToken) => Task.FromResult<string?>(user.Row.Password);

    public Task<bool> HasPasswordAsync(Account user, CancellationToken cancellationToken) => Task.FromResult(user.Row.Password.Length > 0);

    public Task SetPasswordHashAsync(Account user, string? passwordHash, CancellationToken cancellationToken) => Set(user, user.Row with { Password = passwordHash ?? "" });

    public Task<string?> GetSecurityStampAsync(Account user, CancellationToken cancellationToken) => Task.FromResult<string?>(user.Row.Stamp);

    public Task SetSecurityStampAsync(Account user, string stamp, CancellationToken cancellationToken) => Set(user, user.Row with { Stamp = stamp });

    public Task SetAuthenticatorKeyAsync(Account user, string key, CancellationToken cancellationToken) => Set(user, user.Row with { Authenticator = keys.Protect(key) });

    public Task<string?> GetAuthenticatorKeyAsync(Account user, CancellationToken cancellationToken)
    {
        try
        {
            return Task.FromResult<string?>(user.Row.Authenticator.Length == 0 ? null : keys.Unprotect(user.Row.Authenticator));
        }
        catch (CryptographicException)
        {
            // Encrypted with keys that are gone: recovery codes still work.
            return Task.FromResult<string?>(null);
        }
    }

    public Task SetTwoFactorEnabledAsync(Account user, bool enabled, CancellationToken cancellationToken) => Set(user, user.Row with { HasSecondFactor = enabled });

    public Task<bool> GetTwoFactorEnabledAsync(Account user, CancellationToken cancellationToken) => Task.FromResult(user.Row.HasSecondFactor);

    public Task ReplaceCodesAsync(Account user, IEnumerable<string> recoveryCodes, CancellationToken cancellationToken) => Set(user, user.Row with { Recovery = [.. recoveryCodes.Select(HashOf)] });

    public Task<bool> RedeemCodeAsync(Account user, string code, CancellationToken cancellationToken) => people.RedeemAsync(user.Row.Id, HashOf(code), cancellationToken);

    public Task<int> CountCodesAsync(Account user, CancellationToken cancellationToken) => Task.FromResult(user.Row.Recovery.Count);

    public void Dispose()
    {
    }

    private static string HashOf(string code) => Convert.ToHexStringLower(Kalypto.Store.People.Secret.Hash(code.Trim().ToUpperInvariant()));

    private static Task Set(Account user, PersonRow row)
    {
        user.Row = row;
        return Task.CompletedTask;
    }
}
