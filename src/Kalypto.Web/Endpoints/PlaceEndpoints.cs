using Kalypto.Application.Places;
using Kalypto.Store;
using Kalypto.Store.People;
using Kalypto.Web.Doors;
using Kalypto.Web.Models;

namespace Kalypto.Web.Endpoints;

/// <summary>Places that deliveries are put into.</summary>
internal static class PlaceEndpoints
{
    private sealed record Wish(int Root, string? Folder, string? Platform);

    private sealed record Whether(bool Value);

    private sealed record Agreed(string? Seen);

    private sealed record Ask(int Delivery, string[]? Overwrite, string[]? Leave, bool Look);

    public static void MapPlaces(this RouteGroupBuilder project)
    {
        project.MapGet("/places", async (Entry entry, PlaceStore places, PlaceOptions options, CancellationToken cancel) =>
            Results.Ok(new { options.Roots, Places = (await places.ListAsync(entry.Author.Project, cancel)).Select(PlaceModel.Of) }));
        project.MapPost("/places", (HttpContext http, Entry entry, Wish wish, DeliverTo deliver, Audit audit, CancellationToken cancel) => TellAsync(async () =>
        {
            if (entry.Workspace.Row.ArchivedAt is not null)
            {
                return Archived();
            }
            var place = await deliver.AddAsync(entry.Author, wish.Root, wish.Folder ?? "", wish.Platform ?? "", cancel);
            await audit.WriteAsync(http, AuditEvent.PlaceAdded, place.Folder);
            return Results.Ok(PlaceModel.Of(place));
        }));
        project.MapPost("/places/{place:int}/follows", async (Entry entry, int place, Whether follows, PlaceStore places, CancellationToken cancel) =>
            await places.FollowAsync(entry.Author.Project, place, follows.Value, cancel) ? Results.Ok() : NotThere());
        project.MapPost("/places/{place:int}/moves", async (Entry entry, int place, Agreed agreed, PlaceStore places, CancellationToken cancel) =>
            await places.AgreeAsync(entry.Author.Project, place, agreed.Seen ?? "", cancel) ? Results.Ok() : Problem.Conflict("What would move is different by now. Look at it again."));
        project.MapPost("/places/{place:int}/removed", async (HttpContext http, Entry entry, int place, PlaceStore places, Audit audit, CancellationToken cancel) =>
        {
            var done = await places.RemoveAsync(entry.Author, place, cancel);
            if (!done.IsDone)
            {
                return done.Refusal() ?? NotThere();
            }
            await audit.WriteAsync(http, AuditEvent.PlaceRemoved, done.Label);
            return Results.Ok();
        });
        project.MapPost("/places/{place:int}/deliver", (HttpContext http, Entry entry, int place, Ask ask, PlaceStore places, DeliverTo deliver, Audit audit, CancellationToken cancel) => TellAsync(async () =>
        {
            if (await places.FindAsync(entry.Author.Project, place, cancel) is not { } row)
            {
                return NotThere();
            }
            if (entry.Workspace.Row.ArchivedAt is not null && !ask.Look)
            {
                return Archived();
            }
            var (overwrite, leave) = ((ask.Overwrite ?? []).ToHashSet(), (ask.Leave ?? []).ToHashSet());
            var outcome = ask.Look ? await deliver.LookAsync(row, ask.Delivery, overwrite, leave, cancel) : await deliver.DeliverAsync(row, ask.Delivery, overwrite, leave, cancel);
            if (outcome is { IsDone: true })
            {
                await places.SettledAsync(row.Id, cancel);
                await audit.WriteAsync(http, AuditEvent.PlaceWritten, $"delivery {outcome.Delivery} to {row.Folder}");
            }
            return outcome is null ? NotThere() : Results.Ok(PlaceLook.Of(outcome));
        }));
    }

    private static async Task<IResult> TellAsync(Func<Task<IResult>> run)
    {
        try
        {
            return await run();
        }
        catch (PlaceRefusedException e)
        {
            return Problem.Conflict(e.Message);
        }
    }

    private static IResult NotThere() => Problem.NotFound("This place or delivery is not there any more. Load the page again.");

    private static IResult Archived() => Problem.Conflict("This project is archived, so nothing of it is delivered. Bring it back on the page of all projects first.");
}
