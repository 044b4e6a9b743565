using Kalypto.Application.People;
using Kalypto.Core.Naming;
using Kalypto.Store.People;
using Microsoft.AspNetCore.Identity;

namespace Kalypto.Web.Accounts;

/// <summary>Signs people in, and makes their accounts.</summary>
internal sealed class SignIns(UserManager<Account> users, IPasswordHasher<Account> hasher, InvitationStore invitations, SessionStore sessions, Invite invite)
{
    /// <summary>Characters that a password has at least (NIST SP 800-63B: length, and no rules on what is in it).</summary>
    public const int ShortestPassword = 10;

    /// <summary>Characters that a password has at most: what is longer only keeps the server busy.</summary>
    public const int LongestPassword = 200;

    private const int LongestName = 60;
    private static readonly Account Nobody = new() { Row = new(0, "", "", "") };
    private static readonly Lazy<string> NoPassword = new(() => new PasswordHasher<Account>().HashPassword(Nobody, Secret.New()));

    /// <summary>The account of an address and its password; null when they do not go together, or too many were tried.</summary>
    public async Task<PersonRow?> CheckAsync(string email, string password)
    {
        if (password.Length > LongestPassword || await users.FindByNameAsync(email) is not { Row.ShutAt: null } account)
        {
            // As long as for one that is there, so that nobody learns which addresses are.
            hasher.VerifyHashedPassword(Nobody, NoPassword.Value, password.Length > LongestPassword ? "" : password);
            return null;
        }
        if (await users.IsLockedOutAsync(account))
        {
            return null;
        }
        if (!await users.CheckPasswordAsync(account, password))
        {
            await users.AccessFailedAsync(account);
            return null;
        }
        await users.ResetAccessFailedCountAsync(account);
        return account.Row;
    }

    /// <summary>Takes an invitation: makes the account, or sets its password, or lets an account in that is there.</summary>
    /// <param name="secret">The secret of the invitation.</param>
    /// <param name="present">The account of whoever is signed in; null for nobody.</param>
    /// <param name="name">What they want to be called.</param>
    /// <param name="email">The address that they will sign in with.</param>
    /// <param name="password">The password.</param>
    /// <param name="cancel">Ends the wait.</param>
    /// <returns>The account and the project that they are in now; or what is wrong.</returns>
    public async Task<(PersonRow? Person, int? Project, string? Wrong)> TakeAsync(string secret, int? present, string? name, string? email, string? password, CancellationToken cancel)
    {
        if (await invitations.OfSecretAsync(secret, cancel) is not { } invitation)
        {
            return (null, null, "This invitation was taken already, or its time is over. Ask for another one.");
        }
        var account = invitation.Kind == InvitationKind.Password && invitation.Person is { } whose ? await users.FindByIdAsync($"{whose}")
            : present is { } signedIn && invitation.Kind == InvitationKind.Member ? await users.FindByIdAsync($"{signedIn}") : null;
        var setsPassword = account is null || invitation.Kind == InvitationKind.Password;
        if (setsPassword && WrongIn(password) is { } weak)
        {
            return (null, null, weak);
        }
        if (account is null)
        {
            var called = PlainText.Clean(name ?? "", LongestName).Trim();
            if (called.Length == 0)
            {
                return (null, null, "What shall the others call you? Your name stands in the history.");
            }
            if (Invite.Email(email) is not { } address)
            {
                return (null, null, "This is no address for mail. You sign in with it.");
            }
            if (await users.FindByNameAsync(address) is not null)
            {
                return (null, null, "There is an account of this address already. Sign in with it first, then open the invitation again.");
            }
            account = new() { Row = new(0, called, address, "") { IsKeeper = invitation.Kind == InvitationKind.Keeper } };
        }
        // Taken before anything is made of it, so that it works once, also when two come at the same time.
        if (!await invitations.TakeAsync(invitation.Id, cancel))
        {
            return (null, null, "This invitation was taken just now. Ask for another one.");
        }
        if (account.Row.Id == 0)
        {
            var made = await users.CreateAsync(account, password!);
            if (!made.Succeeded)
            {
                return (null, null, string.Join(" ", made.Errors.Select(e => e.Description)));
            }
        }
        else if (setsPassword)
        {
            await SetAsync(account, password!);
            await sessions.EndAllAsync(account.Row.Id, 0, cancel);
        }
        await invite.LetInAsync(invitation, account.Row, cancel);
        return (account.Row, invitation.Project, null);
    }

    /// <summary>Sets another password for whoever knows the present one, and ends all other sessions; says what is wrong, or null.</summary>
    public async Task<string?> ChangePasswordAsync(int person, int session, string now, string next, CancellationToken cancel)
    {
        if (WrongIn(next) is { } weak)
        {
            return weak;
        }
        if (await users.FindByIdAsync($"{person}") is not { } account || await CheckAsync(account.Row.Email, now) is null)
        {
            return "That is not your present password. After five wrong ones in a row it is not asked for five minutes.";
        }
        await SetAsync(account, next);
        await sessions.EndAllAsync(person, session, cancel);
        return null;
    }

    /// <summary>Says by what somebody wants to be called; false when nothing is left of it.</summary>
    public async Task<bool> NameAsync(int person, string name)
    {
        if (PlainText.Clean(name, LongestName).Trim() is not { Length: > 0 } called || await users.FindByIdAsync($"{person}") is not { } account)
        {
            return false;
        }
        account.Row = account.Row with { Name = called };
        return (await users.UpdateAsync(account)).Succeeded;
    }

    /// <summary>The hash of a password of a link; empty for none.</summary>
    public string HashOf(string? password) => string.IsNullOrEmpty(password) ? "" : hasher.HashPassword(Nobody, password);

    /// <summary>True when a password is that of a link.</summary>
    public bool Opens(LinkRow link, string? password) => link.Password.Length == 0
        || (password is { Length: > 0 and <= LongestPassword } && hasher.VerifyHashedPassword(Nobody, link.Password, password) != PasswordVerificationResult.Failed);

    /// <summary>What is wrong with a password that somebody wants; null for nothing.</summary>
    public static string? WrongIn(string? password) => password switch
    {
        null or { Length: < ShortestPassword } => $"A password has {ShortestPassword} characters or more. A few words that only you put together are good ones.",
        { Length: > LongestPassword } => $"A password has {LongestPassword} characters at most.",
        _ => null,
    };

    private async Task SetAsync(Account account, string password)
    {
        account.Row = account.Row with { Password = users.PasswordHasher.HashPassword(account, password), Failed = 0, LockedUntil = null };
        await users.UpdateSecurityStampAsync(account);
    }
}
