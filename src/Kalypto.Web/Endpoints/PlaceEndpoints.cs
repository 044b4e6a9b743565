using Kalypto.Application.Places;
using Kalypto.Store;
using Kalypto.Web.Doors;
using Kalypto.Web.Models;

namespace Kalypto.Web.Endpoints;

/// <summary>Places that deliveries are put into.</summary>
internal static class PlaceEndpoints
{
    private sealed record Wish(int Root, string? Folder, string? Platform);

    private sealed record Whether(bool Value);

    private sealed record Ask(int Delivery, string[]? Overwrite, string[]? Leave, bool Look);

    public static void MapPlaces(this RouteGroupBuilder project)
    {
        project.MapGet("/places", async (Entry entry, PlaceStore places, PlaceOptions options, CancellationToken cancel) =>
            Results.Ok(new { options.Roots, Places = (await places.ListAsync(entry.Author.Project, cancel)).Select(PlaceModel.Of) }));
        project.MapPost("/places", (Entry entry, Wish wish, DeliverTo deliver, CancellationToken cancel) => TellAsync(async () =>
            entry.Workspace.Row.ArchivedAt is not null ? Archived() : Results.Ok(PlaceModel.Of(await deliver.AddAsync(entry.Author.Project, wish.Root, wish.Folder ?? "", wish.Platform ?? "", cancel)))));
        project.MapPost("/places/{place:int}/follows", async (Entry entry, int place, Whether follows, PlaceStore places, CancellationToken cancel) =>
            await places.FollowAsync(entry.Author.Project, place, follows.Value, cancel) ? Results.Ok() : NotThere());
        project.MapPost("/places/{place:int}/removed", async (Entry entry, int place, PlaceStore places, CancellationToken cancel) =>
            await places.RemoveAsync(entry.Author.Project, place, cancel) ? Results.Ok() : NotThere());
        project.MapPost("/places/{place:int}/deliver", (Entry entry, int place, Ask ask, PlaceStore places, DeliverTo deliver, CancellationToken cancel) => TellAsync(async () =>
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
            return (ask.Look ? await deliver.LookAsync(row, ask.Delivery, overwrite, leave, cancel) : await deliver.DeliverAsync(row, ask.Delivery, overwrite, leave, cancel)) is { } outcome
                ? Results.Ok(PlaceLook.Of(outcome)) : NotThere();
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
