using Kalypto.Application.People;
using Kalypto.Core.Naming;
using Kalypto.Store.People;
using Microsoft.AspNetCore.Identity;

namespace Kalypto.Web.Accounts;

/// <summary>Signs people in, and makes their accounts.</summary>
internal sealed class SignIns(UserManager<Account> users, IPasswordHasher<Account> hasher, PeopleStore people, InvitationStore invitations, SessionStore sessions, TryStore tries, SecondFactors factors, Invite invite)
{
    private const int LongestName = 60;
    private static readonly Account Nobody = Account.Of(new(0, "", "", ""));
    private static readonly Lazy<string> NoPassword = new(() => new PasswordHasher<Account>().HashPassword(Nobody, Secret.New()));

    /// <summary>What came of taking an invitation.</summary>
    /// <param name="Person">The account; null when it was not taken.</param>
    /// <param name="Project">The project that they are in now; null for none.</param>
    /// <param name="Wrong">What is wrong, when it was not taken.</param>
    public sealed record Taken(PersonRow? Person, int? Project, string? Wrong)
    {
        /// <summary>It was not taken.</summary>
        public static Taken Refused(string wrong) => new(null, null, wrong);
    }

    /// <summary>What came of a try to sign in.</summary>
    /// <param name="Person">The account; null when it was refused.</param>
    /// <param name="NeedsCode">True when the password was right and a code of the second factor is still needed.</param>
    public sealed record Checked(PersonRow? Person, bool NeedsCode = false);

    /// <summary>Looks whether an address and its password go together, and the code of the second factor where there is one.</summary>
    /// <param name="email">The address.</param>
    /// <param name="password">The password.</param>
    /// <param name="code">The code; null for none yet.</param>
    /// <param name="from">Where the try comes from.</param>
    /// <param name="cancel">Ends the wait.</param>
    /// <returns>No account, too, when too many were tried from there.</returns>
    public async Task<Checked> CheckAsync(string email, string password, string? code, Origin from, CancellationToken cancel)
    {
        var subject = TryStore.OfAccount(email);
        var device = from.Device is { } known && await tries.IsKnownAsync(email, known, cancel) ? known : null;
        var mayTry = await tries.BeginAsync(subject, from.Network, device, cancel);
        var row = await people.OfEmailAsync(email, cancel);
        // The same work whether there is such an account, whether it is shut and whether it may be tried: nobody learns that by the time it takes.
        var isRight = hasher.VerifyHashedPassword(Nobody, row?.Password is { Length: > 0 } hash ? hash : NoPassword.Value, password.Length > Passwords.Longest ? "" : password) != PasswordVerificationResult.Failed;
        if (!isRight || !mayTry || password.Length > Passwords.Longest || row is not { ShutAt: null })
        {
            return new(null);
        }
        if (row.HasSecondFactor && string.IsNullOrWhiteSpace(code))
        {
            // The try counts: else whoever knows the password could try codes without end.
            return new(null, NeedsCode: true);
        }
        if (row.HasSecondFactor && !await factors.IsRightAsync(row, code!, cancel))
        {
            return new(null);
        }
        await tries.SucceededAsync(subject, from.Network, device, cancel);
        return new(row);
    }

    /// <summary>Takes an invitation: makes the account, or sets its password, or lets an account in that is there.</summary>
    /// <param name="secret">The secret of the invitation.</param>
    /// <param name="present">The account of whoever is signed in; null for nobody.</param>
    /// <param name="name">What they want to be called.</param>
    /// <param name="email">The address that they will sign in with, where the invitation does not say it.</param>
    /// <param name="password">The password.</param>
    /// <param name="code">The code that was sent to the address.</param>
    /// <param name="cancel">Ends the wait.</param>
    public async Task<Taken> TakeAsync(string secret, int? present, string? name, string? email, string? password, string? code, CancellationToken cancel)
    {
        if (await invitations.OfSecretAsync(secret, cancel) is not { } invitation)
        {
            return Taken.Refused("This invitation was taken already, or its time is over. Ask for another one.");
        }
        if (invitation is { Kind: InvitationKind.Password, Person: { } whose })
        {
            return await ResetAsync(invitation, whose, password, cancel);
        }
        // An invitation belongs to its address. That of the very first account has none: whoever sees the console says theirs.
        var address = invitation.Email.Length > 0 ? invitation.Email : Invite.Email(email) ?? "";
        if (await people.OfEmailAsync(address, cancel) is { } known)
        {
            return invitation.Kind != InvitationKind.Member ? Taken.Refused("There is an account of this address already. Sign in with it.")
                : present != known.Id || known.ShutAt is not null ? Taken.Refused($"This invitation is for {address}. Sign in with that account, then open the invitation again.")
                : !await invitations.TakeAsync(invitation.Id, cancel) ? TakenJustNow() : await LetInAsync(invitation, known, cancel);
        }
        var called = PlainText.Clean(name ?? "", LongestName).Trim();
        if (called.Length == 0)
        {
            return Taken.Refused("Enter the name that the others see. It stands in the history.");
        }
        if (address.Length == 0)
        {
            return Taken.Refused("This is no mail address. You sign in with it.");
        }
        if (Passwords.WrongIn(password, address, called) is { } weak)
        {
            return Taken.Refused(weak);
        }
        // Whoever was given the invitation by others knows its secret, but not what was sent to the address.
        if (invitation.Email.Length > 0 && !await invitations.IsCodeAsync(invitation.Id, secret, code ?? "", cancel))
        {
            return Taken.Refused($"This is not the code that was sent to {address}. After {InvitationStore.MostCodes} wrong ones the invitation ends.");
        }
        // Taken before anything is made of it, so that it works once, also when two come at the same time.
        if (!await invitations.TakeAsync(invitation.Id, cancel))
        {
            return TakenJustNow();
        }
        var account = Account.Of(new(0, called, address, "") { IsKeeper = invitation.Kind == InvitationKind.Keeper });
        var made = await users.CreateAsync(account, password!);
        return made.Succeeded ? await LetInAsync(invitation, account.Row, cancel) : Taken.Refused(string.Join(" ", made.Errors.Select(e => e.Description)));
    }

    /// <summary>Sets another password for whoever knows the present one, and ends all other sessions; says what is wrong, or null.</summary>
    public async Task<string?> ChangePasswordAsync(int person, int session, string now, string next, Origin from, CancellationToken cancel)
    {
        // Whoever is signed in gave the second factor then.
        if (await users.FindByIdAsync($"{person}") is not { } account || await CheckAsync(account.Row.Email, now, null, from, cancel) is { Person: null, NeedsCode: false })
        {
            return $"That is not your present password. After {TryStore.FromNetwork} wrong ones it is not asked for a few minutes.";
        }
        return Passwords.WrongIn(next, account.Row.Email, account.Row.Name) ?? await SetAsync(account, next, session, cancel);
    }

    /// <summary>Changes the name of an account; false when nothing is left of it.</summary>
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

    /// <summary>True when a password is that of a link, and not too many were tried from there.</summary>
    public async Task<bool> OpensAsync(LinkRow link, string? password, Origin from, CancellationToken cancel)
    {
        if (link.Password.Length == 0)
        {
            return true;
        }
        if (string.IsNullOrEmpty(password) || password.Length > Passwords.Longest)
        {
            return false;
        }
        var subject = TryStore.OfLink(link.Id);
        var mayTry = await tries.BeginAsync(subject, from.Network, null, cancel);
        if (hasher.VerifyHashedPassword(Nobody, link.Password, password) == PasswordVerificationResult.Failed || !mayTry)
        {
            return false;
        }
        await tries.SucceededAsync(subject, from.Network, null, cancel);
        return true;
    }

    private static Taken TakenJustNow() => Taken.Refused("This invitation was taken just now. Ask for another one.");

    private async Task<Taken> ResetAsync(InvitationRow invitation, int person, string? password, CancellationToken cancel)
    {
        if (await users.FindByIdAsync($"{person}") is not { } account)
        {
            return Taken.Refused("This account is not there any more.");
        }
        if (Passwords.WrongIn(password, account.Row.Email, account.Row.Name) is { } weak)
        {
            return Taken.Refused(weak);
        }
        return !await invitations.TakeAsync(invitation.Id, cancel) ? TakenJustNow()
            : await SetAsync(account, password!, 0, cancel) is { } wrong ? Taken.Refused(wrong) : new(account.Row, null, null);
    }

    private async Task<Taken> LetInAsync(InvitationRow invitation, PersonRow person, CancellationToken cancel)
    {
        await invite.LetInAsync(invitation, person, cancel);
        return new(person, invitation.Project, null);
    }

    private async Task<string?> SetAsync(Account account, string password, int session, CancellationToken cancel)
    {
        account.Row = account.Row with { Password = users.PasswordHasher.HashPassword(account, password) };
        if (!(await users.UpdateSecurityStampAsync(account)).Succeeded)
        {
            return "The password was changed by somebody else just now. Sign in again.";
        }
        await sessions.EndAllAsync(account.Row.Id, session, cancel);
        return null;
    }
}
