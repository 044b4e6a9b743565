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
        var people = app.Edits("/api/people");
        people.MapPost("/invited", async (HttpContext http, Entry entry, NewPerson wish, PeopleStore store, Invite invite, CancellationToken cancel) =>
            Invite.Email(wish.Email) is not { } email ? Problem.BadRequest("This is no address for mail.")
                : await store.OfEmailAsync(email, cancel) is not null ? Problem.Conflict("There is an account of this address already.")
                : Results.Ok(new { Address = await invite.ToServerAsync(entry.Author.Actor, wish.IsKeeper ? InvitationKind.Keeper : InvitationKind.Account, email, null, Addresses.Invitation(http), cancel) }));
        people.MapPost("/{person:int}/password", async (HttpContext http, Entry entry, int person, PeopleStore store, Invite invite, CancellationToken cancel) =>
            await store.FindAsync(person, cancel) is not { } row ? Problem.NotFound()
                : Results.Ok(new { Address = await invite.ToServerAsync(entry.Author.Actor, InvitationKind.Password, row.Email, person, Addresses.Invitation(http), cancel) }));
        people.MapPost("/{person:int}/shut", async (Entry entry, int person, Whether shut, PeopleStore store, SessionStore sessions, TimeProvider clock, CancellationToken cancel) =>
        {
            if (await store.FindAsync(person, cancel) is null)
            {
                return Problem.NotFound();
            }
            if (shut.Value && person == entry.Access.Person)
            {
                return Problem.Conflict("You cannot shut your own account: ask another one who looks after the server.");
            }
            await store.ShutAsync(person, shut.Value ? clock.GetUtcNow().UtcDateTime : null, cancel);
            if (shut.Value)
            {
                await sessions.EndAllAsync(person, 0, cancel);
            }
            return Results.Ok();
        });
    }
}
