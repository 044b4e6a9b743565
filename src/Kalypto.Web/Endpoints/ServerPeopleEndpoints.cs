using Kalypto.Application.People;
using Kalypto.Store.People;
using Kalypto.Web.Doors;

namespace Kalypto.Web.Endpoints;

/// <summary>The accounts of the server, for those who look after it.</summary>
internal static class ServerPeopleEndpoints
{
    private sealed record NewPerson(string? Email, bool IsKeeper);

    private sealed record Whether(bool Value);

    public static void MapServerPeople(this IEndpointRouteBuilder app)
    {
        var people = app.Edits("/api/people").For(Need.Keeper);
        people.MapPost("/invited", async (HttpContext http, Entry entry, NewPerson wish, PeopleStore store, Invite invite, Audit audit, CancellationToken cancel) =>
        {
            if (Invite.Email(wish.Email) is not { } email)
            {
                return Problem.BadRequest("This is no mail address.");
            }
            if (await store.OfEmailAsync(email, cancel) is not null)
            {
                return Problem.Conflict("There is an account of this address already.");
            }
            var address = await invite.ToServerAsync(entry.Author.Actor, wish.IsKeeper ? InvitationKind.Keeper : InvitationKind.Account, email, null, Addresses.Invitation(http), cancel);
            await audit.WriteAsync(http, AuditEvent.Invited, $"{email}{(wish.IsKeeper ? " to look after the server" : "")}");
            return Results.Ok(new { Address = address });
        });
        people.MapPost("/{person:int}/password", async (HttpContext http, Entry entry, int person, PeopleStore store, Invite invite, Audit audit, CancellationToken cancel) =>
        {
            if (await store.FindAsync(person, cancel) is not { } row)
            {
                return Problem.NotFound();
            }
            var address = await invite.ToServerAsync(entry.Author.Actor, InvitationKind.Password, row.Email, person, Addresses.Invitation(http), cancel);
            await audit.WriteAsync(http, AuditEvent.PasswordReset, row.Email);
            return Results.Ok(new { Address = address });
        });
        people.MapPost("/{person:int}/shut", async (HttpContext http, Entry entry, int person, Whether shut, PeopleStore store, TimeProvider clock, Audit audit, CancellationToken cancel) =>
        {
            if (await store.FindAsync(person, cancel) is not { } row)
            {
                return Problem.NotFound();
            }
            if (shut.Value && person == entry.Access.Person)
            {
                return Problem.Conflict("You cannot shut your own account: ask another one who looks after the server.");
            }
            await store.ShutAsync(person, shut.Value ? clock.GetUtcNow().UtcDateTime : null, cancel);
            await audit.WriteAsync(http, AuditEvent.AccountShut, $"{row.Email}{(shut.Value ? "" : ": opened again")}");
            return Results.Ok();
        });
    }
}
