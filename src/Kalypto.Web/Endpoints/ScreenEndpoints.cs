using Kalypto.Application.Editing;
using Kalypto.Application.Opening;
using Kalypto.Core.Arranging;
using Kalypto.Core.Designs;
using Kalypto.Web.Doors;
using Kalypto.Web.Models;

namespace Kalypto.Web.Endpoints;

/// <summary>Splits, names, orders and frames the screens of a design.</summary>
internal static class ScreenEndpoints
{
    private sealed record Rectangle(double X, double Y, double Width, double Height)
    {
        public Box Box => new(X, Y, Width, Height);
    }

    private sealed record Wish(string Do, string? By, int Root, string? Name, int To, int? Layer, Rectangle? Box)
    {
        public ScreenWish? Read() => Do switch
        {
            "split" when By is { } by => new ScreenWish.Split(by),
            "add" when Layer is not null || Box is not null => new ScreenWish.Add(Name, Layer, Box?.Box),
            "rename" when Name is { } name => new ScreenWish.Rename(Root, name),
            "move" => new ScreenWish.Move(Root, To),
            "reframe" when Box is { } box => new ScreenWish.Reframe(Root, box.Box),
            "remove" => new ScreenWish.Remove(Root),
            _ => null,
        };
    }

    public static void MapScreens(this RouteGroupBuilder project)
    {
        project.MapGet("/designs/{design:int}/screens", (Entry entry, int design) => Answer(entry.Workspace, design, null));
        project.MapPost("/designs/{design:int}/screens", async (Entry entry, int design, Wish wish, OpenProject open, ArrangeScreens arrange, CancellationToken cancel) =>
        {
            if (entry.Workspace.FindDesign(design) is null)
            {
                return NotThere();
            }
            if (wish.Read() is not { } read)
            {
                return Problem.BadRequest("That cannot be done with screens. Load the page again.");
            }
            try
            {
                var done = await arrange.RunAsync(entry.Visit, design, read, cancel);
                return await done.OrAsync(async () => await open.LoadAsync(entry.Workspace.Row.Id, cancel) is { } now ? Answer(now, design, done.Label) : NotThere());
            }
            catch (ArrangingRefusedException e)
            {
                return Problem.Conflict(e.Message);
            }
        });
    }

    private static IResult Answer(Workspace workspace, int design, string? done) =>
        workspace.FindDesign(design) is not null ? Results.Ok(BoardModel.Of(workspace, design, done)) : NotThere();

    private static IResult NotThere() => Problem.NotFound("This design is not there any more.");
}
