using Kalypto.Application.People;
using Kalypto.Store.People;
using Kalypto.Web.Accounts;
using Kalypto.Web.Doors;

namespace Kalypto.Web.Endpoints;

/// <summary>Coming in, by an account, an invitation or a link; one's own account; and going out.</summary>
internal static class AccountEndpoints
{
    private const int LongestBrowser = 200;
    private const string NotThem = "This address and password do not go together. After five wrong ones in a row an account rests for five minutes.";

    private sealed record Credentials(string? Email, string? Password);

    private sealed record Invited(string? Secret, string? Name, string? Email, string? Password);

    private sealed record Opening(string? Secret, string? Password);

    private sealed record NewName(string? Name);

    private sealed record NewPassword(string? Now, string? Next);

    public static void MapAccounts(this IEndpointRouteBuilder app)
    {
        var coming = app.Edits("/api/coming").RequireRateLimiting(Limits.ComingPolicy);
        coming.MapPost("/sign-in", async (HttpContext http, Credentials said, SignIns signIns, SessionStore sessions, CancellationToken cancel) =>
        {
            if (await signIns.CheckAsync(said.Email ?? "", said.Password ?? "") is not { } person)
            {
                return Problem.Conflict(NotThem);
            }
            await BeginAsync(http, sessions, person.Id, cancel);
            return Results.Ok();
        });
        coming.MapPost("/invitation", async (Entry entry, Invited said, InvitationStore invitations, CancellationToken cancel) =>
            await invitations.OfSecretAsync(said.Secret ?? "", cancel) is not { } invitation ? Problem.NotFound("This invitation was taken already, or its time is over. Ask whoever sent it for another one.")
                : Results.Ok(new
                {
                    Kind = invitation.Kind.ToString(),
                    invitation.Email,
                    invitation.MadeBy,
                    Project = invitation.ProjectName,
                    Role = Invite.WordOf(invitation.Role),
                    // Whoever is signed in needs no second account.
                    SignedIn = invitation.Kind is InvitationKind.Member && entry.Access is { Person: not null } ? entry.Access.Name : null,
                }));
        coming.MapPost("/invitation/taken", async (HttpContext http, Entry entry, Invited said, SignIns signIns, SessionStore sessions, CancellationToken cancel) =>
        {
            var (person, project, wrong) = await signIns.TakeAsync(said.Secret ?? "", entry.Access.Person, said.Name, said.Email, said.Password, cancel);
            if (person is null)
            {
                return Problem.Conflict(wrong ?? NotThem);
            }
            if (entry.Access.Person != person.Id)
            {
                await BeginAsync(http, sessions, person.Id, cancel);
            }
            return Results.Ok(new { Href = project is { } into ? $"/projects/{into}/handover" : "/" });
        });
        coming.MapPost("/link", async (HttpContext http, Opening said, LinkStore links, SignIns signIns, SessionStore sessions, CancellationToken cancel) =>
        {
            if (await links.OfSecretAsync(said.Secret ?? "", cancel) is not { } link)
            {
                return Problem.NotFound("This link leads nowhere: it was revoked, its time is over, or a part of it is missing. Ask whoever sent it for another one.");
            }
            if (!signIns.Opens(link, said.Password))
            {
                return Results.Ok(new { NeedsPassword = true, Says = string.IsNullOrEmpty(said.Password) ? "" : "That is not the password of this link." });
            }
            var secret = http.Request.Cookies[Callers.Cookie] is { Length: > 0 and < 100 } present && await sessions.OfAsync(present, 0, cancel) is { Session: > 0 } ? present : await BeginAsync(http, sessions, null, cancel);
            await sessions.LetInAsync(secret, link.Id, cancel);
            return Results.Ok(new { Href = link.Delivery is { } number ? $"/projects/{link.Project}/deliveries/{number}/plates" : $"/projects/{link.Project}/handover" });
        });
        coming.MapPost("/sign-out", async (HttpContext http, SessionStore sessions, CancellationToken cancel) =>
        {
            if (http.Request.Cookies[Callers.Cookie] is { Length: > 0 and < 100 } secret)
            {
                await sessions.EndAsync(secret, cancel);
            }
            http.Response.Cookies.Delete(Callers.Cookie, new() { Path = "/" });
            return Results.Ok();
        });

        var own = app.Edits("/api/account");
        own.MapPost("/name", async (Entry entry, NewName said, SignIns signIns) =>
            entry.Access.Person is { } person && await signIns.NameAsync(person, said.Name ?? "") ? Results.Ok() : Problem.BadRequest("What shall the others call you?"));
        own.MapPost("/password", async (Entry entry, NewPassword said, SignIns signIns, CancellationToken cancel) => entry.Access.Person is not { } person ? Problem.BadRequest()
            : await signIns.ChangePasswordAsync(person, entry.Access.Session, said.Now ?? "", said.Next ?? "", cancel) is { } wrong ? Problem.Conflict(wrong) : Results.Ok()).RequireRateLimiting(Limits.ComingPolicy);
        own.MapPost("/sessions/{session:int}/ended", async (Entry entry, int session, SessionStore sessions, CancellationToken cancel) =>
            entry.Access.Person is { } person && await sessions.EndAsync(person, session, cancel) ? Results.Ok() : Problem.NotFound());
        own.MapPost("/sessions/others/ended", async (Entry entry, SessionStore sessions, CancellationToken cancel) =>
        {
            if (entry.Access.Person is { } person)
            {
                await sessions.EndAllAsync(person, entry.Access.Session, cancel);
            }
            return Results.Ok();
        });
    }

    private static async Task<string> BeginAsync(HttpContext http, SessionStore sessions, int? person, CancellationToken cancel)
    {
        var browser = Core.Naming.PlainText.Clean(http.Request.Headers.UserAgent.ToString(), LongestBrowser);
        var secret = await sessions.BeginAsync(person, browser, http.Request.Cookies[Callers.Cookie], cancel);
        Callers.Remember(http, secret);
        return secret;
    }
}
