using System.Net.Mail;
using Kalypto.Core.Naming;
using Kalypto.Store;
using Kalypto.Store.People;

namespace Kalypto.Application.People;

/// <summary>Invites people: into projects, to the server, and to a new password. Invitations are links that are taken once.</summary>
public sealed class Invite(InvitationStore invitations, PeopleStore people, MemberStore members, IMail mail, TimeProvider clock)
{
    private const int LongestEmail = 200;
    private static readonly TimeSpan Lasts = TimeSpan.FromDays(14);
    private static readonly TimeSpan PasswordLasts = TimeSpan.FromDays(1);

    /// <summary>What became of an invitation.</summary>
    /// <param name="Done">How it went.</param>
    /// <param name="Address">The link that was made; null when none was.</param>
    public sealed record Outcome(StepDone Done, string? Address);

    /// <summary>An address for mail, as it is kept; null for what is none.</summary>
    public static string? Email(string? text) => PlainText.Clean(text ?? "", LongestEmail).Trim() is { Length: > 2 } clean && MailAddress.TryCreate(clean, out var address) && address.Address == clean ? clean : null;

    /// <summary>Invites somebody into a project. Nobody is in it before they accept, whether they have an account or not.</summary>
    /// <param name="author">Who invites, and into which project.</param>
    /// <param name="name">What the project is called.</param>
    /// <param name="email">Whom.</param>
    /// <param name="role">What they may do there.</param>
    /// <param name="addressOf">The address that a secret is taken at.</param>
    /// <param name="cancel">Ends the wait.</param>
    public async Task<Outcome> IntoAsync(Author author, string name, string email, Role role, Func<string, string> addressOf, CancellationToken cancel)
    {
        var by = author.Actor.Name;
        var (secret, code) = (Secret.New(), Secret.Code());
        var invited = await invitations.InviteAsync(author, secret, code, new(0, InvitationKind.Member, email, Until(Lasts)) { Project = author.Project, Role = role, MadeBy = by, Maker = author.Actor.Person }, $"Invite {email} as {WordOf(role)}", cancel);
        if (!invited.IsDone)
        {
            return new(invited, null);
        }
        var address = addressOf(secret);
        Send(email, $"{by} invites you to {name}", $"{by} invites you to work in {name} as {WordOf(role)}. Open this address, which works once and for {Lasts.Days} days:\n\n{address}\n\nIf you have no account yet, you also need this code: {code}");
        return new(invited, address);
    }

    /// <summary>Invites somebody to the server, or somebody whom an account is known of to a new password.</summary>
    /// <returns>The address that it is taken at.</returns>
    public async Task<string> ToServerAsync(Actor by, InvitationKind kind, string email, int? person, Func<string, string> addressOf, CancellationToken cancel)
    {
        var (secret, code) = (Secret.New(), Secret.Code());
        var lasts = kind == InvitationKind.Password ? PasswordLasts : Lasts;
        await invitations.AddAsync(secret, code, new(0, kind, email, Until(lasts)) { Person = person, MadeBy = by.Name, Maker = by.Person }, cancel);
        var address = addressOf(secret);
        Send(email, kind == InvitationKind.Password ? "Set a new password" : "You are invited to Kalypto",
            $"{by.Name} {(kind == InvitationKind.Password ? "lets you set a new password" : "invites you to Kalypto")}. Open this address, which works once and for {(lasts.Days > 1 ? $"{lasts.Days} days" : "a day")}:\n\n{address}{(kind == InvitationKind.Password ? "" : $"\n\nYou also need this code: {code}")}");
        return address;
    }

    /// <summary>Makes the secret for the first account, while there is nobody who looks after the server; null when there is.</summary>
    public async Task<string?> FirstAsync(CancellationToken cancel)
    {
        if (await people.HasKeeperAsync(cancel))
        {
            return null;
        }
        // Each start makes a new one, and the one before ends.
        await invitations.RemoveKeepersAsync(cancel);
        var secret = Secret.New();
        await invitations.AddAsync(secret, Secret.Code(), new(0, InvitationKind.Keeper, "", Until(PasswordLasts)), cancel);
        return secret;
    }

    /// <summary>Lets whoever took an invitation into its project.</summary>
    public Task<StepDone> LetInAsync(InvitationRow invitation, PersonRow person, CancellationToken cancel) => invitation.Project is not { } project
        ? Task.FromResult(new StepDone(StepState.Nothing))
        : members.JoinAsync(new(project, new(ActorOf(person.Id), person.Name) { Person = person.Id }), person.Id, invitation.Role, $"{person.Name} took the invitation of {invitation.MadeBy}, as {WordOf(invitation.Role)}", cancel);

    /// <summary>What tells somebody with an account from all others, in the history.</summary>
    public static string ActorOf(int person) => $"person-{person}";

    /// <summary>A role in words.</summary>
    public static string WordOf(Role role) => role.ToString().ToLowerInvariant();

    private DateTime Until(TimeSpan lasts) => clock.GetUtcNow().UtcDateTime + lasts;

    private void Send(string to, string subject, string text) => mail.Send(new(to, subject, text, clock.GetUtcNow()));
}
