using Kalypto.Application.People;
using Kalypto.Store.People;
using Kalypto.Web.Accounts;
using Kalypto.Web.Doors;

namespace Kalypto.Web.Endpoints;

/// <summary>Coming in, by an account, an invitation or a link; one's own account; and going out.</summary>
internal static class AccountEndpoints
{
    private const int LongestBrowser = 200;
    private const string NotThem = "This address and password do not go together. After five wrong ones, further tries from your network are refused for a few minutes.";

    private sealed record Credentials(string? Email, string? Password, string? Code);

    private sealed record Invited(string? Secret, string? Name, string? Email, string? Password, string? Code);

    private sealed record Opening(string? Secret, string? Password);

    private sealed record CodeOnly(string? Code);

    private sealed record NewName(string? Name);

    private sealed record NewPassword(string? Now, string? Next);

    public static void MapAccounts(this IEndpointRouteBuilder app)
    {
        var coming = app.Edits("/api/coming").RequireRateLimiting(Limits.ComingPolicy);
        coming.AllowAnonymous();
        coming.MapPost("/sign-in", async (HttpContext http, Credentials said, SignIns signIns, SessionStore sessions, TryStore tries, Audit audit, CancellationToken cancel) =>
        {
            var (person, needsCode) = await signIns.CheckAsync(said.Email ?? "", said.Password ?? "", said.Code, Origin.From(http), cancel);
            if (needsCode)
            {
                return Results.Ok(new { NeedsCode = true });
            }
            if (person is null)
            {
                await audit.WriteAsync(http, AuditEvent.SignInFailed, said.Email ?? "");
                return Problem.Conflict(string.IsNullOrEmpty(said.Code) ? NotThem : "This is not a code of your authenticator, or it was used already. Wait for the next one.");
            }
            await Origin.RememberAsync(http, tries, person.Id, cancel);
            await BeginAsync(http, sessions, person.Id, cancel);
            await audit.WriteAsync(http, AuditEvent.SignedIn, person.Email, person: person);
            return Results.Ok(new { NeedsCode = false });
        });
        coming.MapPost("/invitation", async (Entry entry, Invited said, InvitationStore invitations, PeopleStore people, CancellationToken cancel) =>
        {
            if (await invitations.OfSecretAsync(said.Secret ?? "", cancel) is not { } invitation)
            {
                return Problem.NotFound("This invitation was taken already, or its time is over. Ask whoever sent it for another one.");
            }
            // It belongs to its address: whoever has an account of it accepts with that, and nobody else can.
            var known = invitation.Kind is InvitationKind.Member ? await people.OfEmailAsync(invitation.Email, cancel) : null;
            return Results.Ok(new
            {
                Kind = invitation.Kind.ToString(),
                invitation.Email,
                invitation.MadeBy,
                Project = invitation.ProjectName,
                Role = Invite.WordOf(invitation.Role),
                HasAccount = known is not null,
                IsSignedIn = known is not null && entry.Access.Person == known.Id,
            });
        });
        coming.MapPost("/invitation/taken", async (HttpContext http, Entry entry, Invited said, SignIns signIns, SessionStore sessions, TryStore tries, Audit audit, CancellationToken cancel) =>
        {
            var (person, project, wrong) = await signIns.TakeAsync(said.Secret ?? "", entry.Access.Person, said.Name, said.Email, said.Password, said.Code, cancel);
            if (person is null)
            {
                return Problem.Conflict(wrong ?? NotThem);
            }
            if (entry.Access.Person != person.Id)
            {
                await Origin.RememberAsync(http, tries, person.Id, cancel);
                await BeginAsync(http, sessions, person.Id, cancel);
            }
            await audit.WriteAsync(http, AuditEvent.InvitationAccepted, person.Email, project, person);
            return Results.Ok(new { Href = project is { } into ? $"/projects/{into}/handover" : "/" });
        });
        coming.MapPost("/link", async (HttpContext http, Entry entry, Opening said, LinkStore links, SignIns signIns, SessionStore sessions, Audit audit, CancellationToken cancel) =>
        {
            if (await links.OfSecretAsync(said.Secret ?? "", cancel) is not { } link)
            {
                return Problem.NotFound("This link leads nowhere: it was revoked, its time is over, or a part of it is missing. Ask whoever sent it for another one.");
            }
            if (!await signIns.OpensAsync(link, said.Password, Origin.From(http), cancel))
            {
                if (!string.IsNullOrEmpty(said.Password))
                {
                    await audit.WriteAsync(http, AuditEvent.LinkFailed, link.Label, link.Project);
                }
                return Results.Ok(new { NeedsPassword = true, Says = string.IsNullOrEmpty(said.Password) ? "" : "That is not the password of this link. After five wrong ones, further tries are refused for a few minutes." });
            }
            // Always another session: one that somebody planted in this browser gets to know nothing of the link.
            var secret = await BeginAsync(http, sessions, entry.Access.Person, cancel);
            await sessions.LetInAsync(secret, link.Id, cancel);
            await audit.WriteAsync(http, AuditEvent.LinkOpened, link.Label, link.Project);
            return Results.Ok(new { Href = link.Delivery is { } number ? $"/projects/{link.Project}/deliveries/{number}/plates" : $"/projects/{link.Project}/handover" });
        });
        coming.MapPost("/sign-out", async (HttpContext http, SessionStore sessions, Audit audit, CancellationToken cancel) =>
        {
            if (Callers.SecretOf(http) is { } secret)
            {
                await audit.WriteAsync(http, AuditEvent.SignedOut, "");
                await sessions.EndAsync(secret, cancel);
            }
            await SessionAuthentication.SignOutAsync(http);
            return Results.Ok();
        });

        var own = app.Edits("/api/account").For(Need.Person);
        own.MapPost("/name", async (Entry entry, NewName said, SignIns signIns) =>
            entry.Access.Person is { } person && await signIns.NameAsync(person, said.Name ?? "") ? Results.Ok() : Problem.BadRequest("What shall the others call you?"));
        own.MapPost("/password", async (HttpContext http, Entry entry, NewPassword said, SignIns signIns, Audit audit, CancellationToken cancel) =>
        {
            if (entry.Access.Person is not { } person)
            {
                return Problem.BadRequest();
            }
            if (await signIns.ChangePasswordAsync(person, entry.Access.Session, said.Now ?? "", said.Next ?? "", Origin.From(http), cancel) is { } wrong)
            {
                return Problem.Conflict(wrong);
            }
            await audit.WriteAsync(http, AuditEvent.PasswordChanged, "");
            return Results.Ok();
        }).RequireRateLimiting(Limits.ComingPolicy);
        own.MapPost("/sessions/{session:int}/ended", async (HttpContext http, Entry entry, int session, SessionStore sessions, Audit audit, CancellationToken cancel) =>
        {
            if (entry.Access.Person is not { } person || !await sessions.EndAsync(person, session, cancel))
            {
                return Problem.NotFound();
            }
            await audit.WriteAsync(http, AuditEvent.SessionsEnded, "one");
            return Results.Ok();
        });
        own.MapPost("/sessions/others/ended", async (HttpContext http, Entry entry, SessionStore sessions, Audit audit, CancellationToken cancel) =>
        {
            if (entry.Access.Person is { } person)
            {
                await sessions.EndAllAsync(person, entry.Access.Session, cancel);
                await audit.WriteAsync(http, AuditEvent.SessionsEnded, "all others");
            }
            return Results.Ok();
        });
        own.MapPost("/second-factor/begun", async (Entry entry, SecondFactors factors) => entry.Access.Person is { } person && await factors.BeginAsync(person) is { } offer ? Results.Ok(offer)
            : Problem.Conflict("Your account has a second factor already. Load the page again."));
        own.MapPost("/second-factor", async (HttpContext http, Entry entry, CodeOnly said, SecondFactors factors, Audit audit, CancellationToken cancel) =>
        {
            if (entry.Access.Person is not { } person || await factors.TurnOnAsync(person, entry.Access.Session, said.Code ?? "", cancel) is not { } codes)
            {
                return Problem.Conflict("This is not the code that your authenticator shows now. Check the time of its clock, and try the next one.");
            }
            await audit.WriteAsync(http, AuditEvent.SecondFactorOn, "");
            return Results.Ok(new { codes });
        }).RequireRateLimiting(Limits.ComingPolicy);
        own.MapPost("/second-factor/off", async (HttpContext http, Entry entry, Credentials said, SignIns signIns, SecondFactors factors, PeopleStore people, Audit audit, CancellationToken cancel) =>
        {
            if (entry.Access.Person is not { } person || await people.FindAsync(person, cancel) is not { } row
                || await signIns.CheckAsync(row.Email, said.Password ?? "", said.Code ?? "", Origin.From(http), cancel) is not { Person: { } right })
            {
                return Problem.Conflict("The password or the code is wrong. It takes both to turn the second factor off.");
            }
            await factors.TurnOffAsync(right);
            await audit.WriteAsync(http, AuditEvent.SecondFactorOff, "");
            return Results.Ok();
        }).RequireRateLimiting(Limits.ComingPolicy);
    }

    private static async Task<string> BeginAsync(HttpContext http, SessionStore sessions, int? person, CancellationToken cancel)
    {
        var browser = Core.Naming.PlainText.Clean(http.Request.Headers.UserAgent.ToString(), LongestBrowser);
        var secret = await sessions.BeginAsync(person, browser, Callers.SecretOf(http), cancel);
        await SessionAuthentication.SignInAsync(http, secret);
        return secret;
    }
}
