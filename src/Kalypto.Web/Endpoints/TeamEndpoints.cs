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

    private sealed record Whether(bool Value);

    private sealed record NewLink(string? Label, Role Role, int? Delivery, int? Days, string? Password);

    public static void MapTeam(this RouteGroupBuilder project)
    {
        project.MapGet("/team", async (Entry entry, TeamModel.Sources sources, CancellationToken cancel) => Results.Ok(await TeamModel.OfAsync(entry.Author.Project, sources, cancel))).For(Need.Designer);
        project.MapPost("/team/invitations", async (HttpContext http, Entry entry, NewMember wish, Invite invite, ProjectStore projects, TeamModel.Sources sources, Audit audit, CancellationToken cancel) =>
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
            if (outcome.Done.IsDone)
            {
                await audit.WriteAsync(http, AuditEvent.Invited, $"{email} as {Invite.WordOf(wish.Role)}");
            }
            return Refusal(outcome.Done) ?? Results.Ok(new { outcome.Address, Team = await TeamModel.OfAsync(entry.Author.Project, sources, cancel) });
        });
        project.MapPost("/team/invitations/{invitation:int}/removed", async (HttpContext http, Entry entry, int invitation, InvitationStore invitations, TeamModel.Sources sources, Audit audit, CancellationToken cancel) =>
        {
            var done = await invitations.RemoveAsync(entry.Author, invitation, "Remove the invitation", cancel);
            return await ToldAsync(http, audit, AuditEvent.InvitationRemoved, done, done.Label) ? Results.Ok(await TeamModel.OfAsync(entry.Author.Project, sources, cancel)) : Problem.NotFound();
        });
        project.MapPost("/team/people/{person:int}", async (HttpContext http, Entry entry, int person, NewRole said, MemberStore members, PeopleStore people, TeamModel.Sources sources, Audit audit, CancellationToken cancel) =>
        {
            if (await people.FindAsync(person, cancel) is not { } row || (await members.ListAsync(entry.Author.Project, cancel)).All(m => m.Person != person))
            {
                return Problem.NotFound();
            }
            var label = said.Role == Role.None ? $"Take {row.Name} out of the project" : $"Make {row.Name} {Invite.WordOf(said.Role)}";
            var done = await members.SayAsync(entry.Author, person, said.Role, label, cancel);
            await ToldAsync(http, audit, AuditEvent.RoleChanged, done, $"{row.Email}: {Invite.WordOf(said.Role)}");
            return Refusal(done) ?? Results.Ok(await TeamModel.OfAsync(entry.Author.Project, sources, cancel));
        });
        project.MapPost("/team/links", async (HttpContext http, Entry entry, NewLink wish, ShareLinks links, SignIns signIns, TeamModel.Sources sources, Audit audit, CancellationToken cancel) =>
        {
            if (Passwords.WrongInLink(wish.Password) is { } weak)
            {
                return Problem.BadRequest(weak);
            }
            var (secret, done) = await links.MakeAsync(entry.Author, wish.Label ?? "", wish.Role, wish.Delivery, wish.Days, signIns.HashOf(wish.Password), cancel);
            await ToldAsync(http, audit, AuditEvent.LinkMade, done, wish.Label ?? "");
            return secret is null ? Problem.BadRequest("A link needs a name, such as whom it is for, and a delivery that is there.")
                : Refusal(done) ?? Results.Ok(new { Address = Addresses.Link(http, secret), Team = await TeamModel.OfAsync(entry.Author.Project, sources, cancel) });
        });
        project.MapPost("/team/links/{link:int}/revoked", async (HttpContext http, Entry entry, int link, ShareLinks links, TeamModel.Sources sources, Audit audit, CancellationToken cancel) =>
        {
            var done = await links.RevokeAsync(entry.Author, link, cancel);
            await ToldAsync(http, audit, AuditEvent.LinkRevoked, done, done.Label);
            return Refusal(done) ?? Results.Ok(await TeamModel.OfAsync(entry.Author.Project, sources, cancel));
        });
        project.MapPost("/team/second-factor", async (HttpContext http, Entry entry, Whether required, MemberStore members, TeamModel.Sources sources, Audit audit, CancellationToken cancel) =>
        {
            var label = required.Value ? "Require a second factor of everybody in the project" : "Require no second factor any more";
            var done = await members.RequireSecondFactorAsync(entry.Author, required.Value, label, cancel);
            await ToldAsync(http, audit, AuditEvent.RulesChanged, done, label);
            return Refusal(done) ?? Results.Ok(await TeamModel.OfAsync(entry.Author.Project, sources, cancel));
        });
    }

    private static async Task<bool> ToldAsync(HttpContext http, Audit audit, AuditEvent what, StepDone done, string about)
    {
        if (done.IsDone)
        {
            await audit.WriteAsync(http, what, about);
        }
        return done.IsDone;
    }

    private static IResult? Refusal(StepDone done) => done.State == StepState.Blocked ? Problem.Conflict("Somebody must own the project. Make another one owner first.") : done.Refusal();
}
