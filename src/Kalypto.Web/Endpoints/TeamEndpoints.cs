using Kalypto.Application.People;
using Kalypto.Store;
using Kalypto.Store.People;
using Kalypto.Web.Accounts;
using Kalypto.Web.Doors;
using Kalypto.Web.Models;

namespace Kalypto.Web.Endpoints;

/// <summary>Who may do what in a project: its people, its invitations, its links.</summary>
internal static class TeamEndpoints
{
    private sealed record NewMember(string? Email, Role Role);

    private sealed record NewRole(Role Role);

    private sealed record NewLink(string? Label, Role Role, int? Delivery, int? Days, string? Password);

    public static void MapTeam(this RouteGroupBuilder project)
    {
        project.MapGet("/team", async (Entry entry, TeamModel.Sources sources, CancellationToken cancel) => Results.Ok(await TeamModel.OfAsync(entry.Author.Project, sources, cancel)));
        project.MapPost("/team/invitations", async (HttpContext http, Entry entry, NewMember wish, Invite invite, ProjectStore projects, TeamModel.Sources sources, CancellationToken cancel) =>
        {
            if (Invite.Email(wish.Email) is not { } email || wish.Role == Role.None)
            {
                return Problem.BadRequest("This is no address for mail.");
            }
            if (await projects.FindAsync(entry.Author.Project, cancel) is not { } row)
            {
                return Problem.NotFound();
            }
            var outcome = await invite.IntoAsync(entry.Author, row.Name, email, wish.Role, Addresses.Invitation(http), cancel);
            return Refusal(outcome.Done) ?? Results.Ok(new { outcome.Address, outcome.IsMember, Team = await TeamModel.OfAsync(entry.Author.Project, sources, cancel) });
        });
        project.MapPost("/team/invitations/{invitation:int}/removed", async (Entry entry, int invitation, InvitationStore invitations, TeamModel.Sources sources, CancellationToken cancel) =>
            await invitations.RemoveAsync(entry.Author, invitation, "Take back the invitation", cancel) is var done && done.IsDone ? Results.Ok(await TeamModel.OfAsync(entry.Author.Project, sources, cancel)) : Problem.NotFound());
        project.MapPost("/team/people/{person:int}", async (Entry entry, int person, NewRole said, MemberStore members, PeopleStore people, TeamModel.Sources sources, CancellationToken cancel) =>
        {
            if (await people.FindAsync(person, cancel) is not { } row || (await members.ListAsync(entry.Author.Project, cancel)).All(m => m.Person != person))
            {
                return Problem.NotFound();
            }
            var label = said.Role == Role.None ? $"Take {row.Name} out of the project" : $"Make {row.Name} {Invite.WordOf(said.Role)}";
            return Refusal(await members.SayAsync(entry.Author, person, said.Role, label, cancel)) ?? Results.Ok(await TeamModel.OfAsync(entry.Author.Project, sources, cancel));
        });
        project.MapPost("/team/links", async (HttpContext http, Entry entry, NewLink wish, ShareLinks links, SignIns signIns, TeamModel.Sources sources, CancellationToken cancel) =>
        {
            var (secret, done) = await links.MakeAsync(entry.Author, wish.Label ?? "", wish.Role, wish.Delivery, wish.Days, signIns.HashOf(wish.Password), cancel);
            return secret is null ? Problem.BadRequest("A link needs a name, such as whom it is for, and a delivery that is there.")
                : Refusal(done) ?? Results.Ok(new { Address = Addresses.Link(http, secret), Team = await TeamModel.OfAsync(entry.Author.Project, sources, cancel) });
        });
        project.MapPost("/team/links/{link:int}/revoked", async (Entry entry, int link, ShareLinks links, TeamModel.Sources sources, CancellationToken cancel) =>
            Refusal(await links.RevokeAsync(entry.Author, link, cancel)) ?? Results.Ok(await TeamModel.OfAsync(entry.Author.Project, sources, cancel)));
    }

    private static IResult? Refusal(StepDone done) => done.State == StepState.Blocked ? Problem.Conflict("Somebody must own the project. Make another one owner first.") : done.Refusal();
}
