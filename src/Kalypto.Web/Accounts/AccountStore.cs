using System.Globalization;
using Kalypto.Store.People;
using Microsoft.AspNetCore.Identity;

namespace Kalypto.Web.Accounts;

/// <summary>What Identity needs of the people that are kept: their password, its stamp, and how often a wrong one was tried.</summary>
internal sealed class AccountStore(PeopleStore people) : IUserPasswordStore<Account>, IUserLockoutStore<Account>, IUserSecurityStampStore<Account>
{
    public async Task<IdentityResult> CreateAsync(Account user, CancellationToken cancellationToken)
    {
        if (await people.AddAsync(user.Row, cancellationToken) is not { } id)
        {
            return IdentityResult.Failed(new IdentityErrorDescriber().DuplicateUserName(user.Row.Email));
        }
        user.Row = user.Row with { Id = id };
        return IdentityResult.Success;
    }

    public async Task<IdentityResult> UpdateAsync(Account user, CancellationToken cancellationToken)
    {
        await people.KeepAsync(user.Row, cancellationToken);
        return IdentityResult.Success;
    }

    public Task<IdentityResult> DeleteAsync(Account user, CancellationToken cancellationToken) => throw new NotSupportedException("Accounts are shut, not deleted.");

    public async Task<Account?> FindByIdAsync(string userId, CancellationToken cancellationToken) =>
        int.TryParse(userId, NumberStyles.None, CultureInfo.InvariantCulture, out var id) && await people.FindAsync(id, cancellationToken) is { } row ? new() { Row = row } : null;

    public async Task<Account?> FindByNameAsync(string normalizedUserName, CancellationToken cancellationToken) =>
        await people.OfEmailAsync(normalizedUserName, cancellationToken) is { } row ? new() { Row = row } : null;

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

    public Task<DateTimeOffset?> GetLockoutEndDateAsync(Account user, CancellationToken cancellationToken) =>
        Task.FromResult<DateTimeOffset?>(user.Row.LockedUntil is { } until ? new DateTimeOffset(until, TimeSpan.Zero) : null);

    public Task SetLockoutEndDateAsync(Account user, DateTimeOffset? lockoutEnd, CancellationToken cancellationToken) => Set(user, user.Row with { LockedUntil = lockoutEnd?.UtcDateTime });

    public Task<int> GetAccessFailedCountAsync(Account user, CancellationToken cancellationToken) => Task.FromResult(user.Row.Failed);

    public async Task<int> IncrementAccessFailedCountAsync(Account user, CancellationToken cancellationToken)
    {
        await Set(user, user.Row with { Failed = user.Row.Failed + 1 });
        return user.Row.Failed;
    }

    public Task ResetAccessFailedCountAsync(Account user, CancellationToken cancellationToken) => Set(user, user.Row with { Failed = 0 });

    public Task<bool> GetLockoutEnabledAsync(Account user, CancellationToken cancellationToken) => Task.FromResult(true);

    public Task SetLockoutEnabledAsync(Account user, bool enabled, CancellationToken cancellationToken) => Task.CompletedTask;

    public void Dispose()
    {
    }

    private static Task Set(Account user, PersonRow row)
    {
        user.Row = row;
        return Task.CompletedTask;
    }
}
