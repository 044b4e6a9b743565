using Kalypto.Store;
using Kalypto.Web.Doors;
using Kalypto.Web.Models;

namespace Kalypto.Web.Endpoints;

/// <summary>What was done in a project, and taking it back: one's own last step, or any one by name.</summary>
internal static class HistoryEndpoints
{
    private const int MostHistory = 200;

    private sealed record Turn(bool Undo);

    public static void MapHistory(this RouteGroupBuilder project)
    {
        project.MapGet("/history", async (Entry entry, EditStore edits, CancellationToken cancel) =>
            Results.Ok((await edits.HistoryAsync(entry.Author.Project, MostHistory, cancel)).Select(h => HistoryModel.Of(h, entry.Author.Actor))));
        project.MapPost("/undo", async (Entry entry, EditStore edits, CancellationToken cancel) => Answer(await edits.UndoAsync(entry.Author, cancel), undo: true));
        project.MapPost("/redo", async (Entry entry, EditStore edits, CancellationToken cancel) => Answer(await edits.RedoAsync(entry.Author, cancel), undo: false));
        project.MapPost("/history/{step:long}", async (Entry entry, long step, Turn turn, EditStore edits, CancellationToken cancel) =>
            Answer(await edits.TurnAsync(entry.Author, step, turn.Undo, cancel), turn.Undo));
    }

    private static IResult Answer(StepDone done, bool undo) => done.Refusal() ?? Results.Ok(new
    {
        done = done.IsDone ? $"{(undo ? "Undone" : "Done again")}: {done.Label}" : undo ? "You have nothing to undo here" : "You have nothing to do again here",
    });
}
