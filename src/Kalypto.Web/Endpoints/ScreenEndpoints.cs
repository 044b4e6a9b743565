using Kalypto.Core.Arranging;
using Kalypto.Core.Deciding;
using Kalypto.Core.Designs;
using Kalypto.Store;
using Kalypto.Web.Desk;
using Kalypto.Web.Models;
using Kalypto.Web.UseCases;

namespace Kalypto.Web.Endpoints;

/// <summary>Splits, names and orders the screens of a design.</summary>
internal static class ScreenEndpoints
{
    private sealed record Rectangle(double X, double Y, double Width, double Height)
    {
        public Box Box => new(X, Y, Width, Height);
    }

    private sealed record Wish(string Do, string? By, int Root, string? Name, int To, int? Layer, Rectangle? Box);

    private sealed record DrawnAt(double Value);

    public static void MapScreens(this IEndpointRouteBuilder app)
    {
        var api = app.Edits("/api/projects/{project:int}/designs/{design:int}");
        api.MapGet("/screens", async (int project, int design, OpenProject open, CancellationToken cancel) => await AnswerAsync(open, project, design, null, cancel));
        api.MapPost("/screens", async (int project, int design, Wish wish, HttpContext http, OpenProject open, ArrangeLayers arrange, Notices notices, CancellationToken cancel) =>
        {
            if (await open.LoadAsync(project, cancel) is not { } workspace || workspace.FindDesign(design) is not var (_, state))
            {
                return Results.NotFound(new { message = "This design is not there any more." });
            }
            if (Change(state.Measured, wish) is not var (label, change))
            {
                return Results.BadRequest(new { message = "That cannot be done with screens. Load the page again." });
            }
            try
            {
                await arrange.ScreensAsync(workspace, Bench.Who(http), design, label, change, cancel);
            }
            catch (ArrangingRefusedException e)
            {
                return Results.Conflict(new { message = e.Message });
            }
            notices.Give(project);
            return await AnswerAsync(open, project, design, label, cancel);
        });
        api.MapPost("/screens/undo", async (int project, int design, OpenProject open, EditStore edits, Notices notices, CancellationToken cancel) =>
        {
            var done = await edits.UndoAsync(project, cancel);
            notices.Give(project);
            return await AnswerAsync(open, project, design, done is null ? "Nothing to undo" : $"Undone: {done.Label}", cancel);
        });
        api.MapPost("/drawn-at", async (int project, int design, DrawnAt drawnAt, HttpContext http, EditStore edits, CancellationToken cancel) =>
        {
            if (drawnAt.Value is not (1 or 2 or 3))
            {
                return Results.BadRequest(new { message = "A design is drawn at 1x, 2x or 3x." });
            }
            await edits.SetDrawnAtAsync(new(project, Bench.Who(http)), design, drawnAt.Value, cancel);
            return Results.Ok();
        });
    }

    private static async Task<IResult> AnswerAsync(OpenProject open, int project, int design, string? done, CancellationToken cancel) =>
        await open.LoadAsync(project, cancel) is { } workspace && workspace.FindDesign(design) is not null
            ? Results.Ok(BoardModel.Of(workspace, design, done)) : Results.NotFound(new { message = "This design is not there any more." });

    private static (string Label, Func<ScreenEdits, Arrangement> Change)? Change(MeasuredDrawing drawing, Wish wish) => wish.Do switch
    {
        "split" when drawing.Proposals.FirstOrDefault(p => p.By == wish.By) is { } proposal =>
            ($"Split into {proposal.Screens.Length} screens by {proposal.By}", edits => edits.Split(proposal.Screens)),
        "add" when wish.Layer is { } layer && layer >= 0 && layer < drawing.Drawn.Layers.Length && drawing.Shapes[layer] is { } shape =>
            ($"Make a screen of {drawing.Drawn.Layers[layer].Name}", edits => edits.Add(new(wish.Name ?? drawing.Drawn.Layers[layer].Name, shape, layer))),
        "add" when wish.Box is { } box => ("Add a screen", edits => edits.Add(new(wish.Name ?? "", box.Box))),
        "rename" when wish.Name is { } name => ($"Name the screen {name.Trim()}", edits => edits.Rename(wish.Root, name)),
        "move" => ("Move a screen", edits => edits.Move(wish.Root, wish.To)),
        "reframe" when wish.Box is { } box => ("Change the frame of a screen", edits => edits.Reframe(wish.Root, box.Box)),
        "remove" => ("Take a screen away", edits => edits.Remove(wish.Root)),
        _ => null,
    };
}
