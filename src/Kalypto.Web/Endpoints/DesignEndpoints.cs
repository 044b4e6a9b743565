using Kalypto.Application.Editing;
using Kalypto.Core.Arranging;
using Kalypto.Store;
using Kalypto.Web.Doors;

namespace Kalypto.Web.Endpoints;

/// <summary>Names, orders, removes and brings back designs, and says what they were drawn at.</summary>
internal static class DesignEndpoints
{
    private sealed record Said(string? Name, int? By, double? DrawnAt);

    private sealed record Whether(bool Value);

    public static void MapDesigns(this RouteGroupBuilder project)
    {
        project.MapPost("/designs/{design:int}/said", async (Entry entry, int design, Said said, ManageDesigns manage, ArrangeScreens screens, CancellationToken cancel) =>
        {
            if (entry.Workspace.FindDesign(design) is not var (_, state))
            {
                return Problem.NotFound("This design is not there any more.");
            }
            if (said.DrawnAt is { } scale && !DrawnScale.Choices(state.Measured.Drawn, state.DrawnAt).Contains(scale))
            {
                return Problem.BadRequest("A design is drawn at 1x, 2x or 3x, or at what its file says.");
            }
            var done = said.Name is { } name ? await manage.NameAsync(entry.Visit, design, name, cancel) : new(StepState.Nothing);
            done = said.By is { } by && done.Refusal() is null ? await manage.MoveAsync(entry.Visit, design, by, cancel) : done;
            return (said.DrawnAt is { } drawnAt && done.Refusal() is null ? await screens.DrawnAtAsync(entry.Visit, design, drawnAt, cancel) : done).OrOk();
        });
        project.MapPost("/designs/{design:int}/removed", async (Entry entry, int design, Whether removed, ManageDesigns manage, TimeProvider clock, CancellationToken cancel) =>
            (removed.Value ? await manage.RemoveAsync(entry.Visit, design, clock.GetUtcNow().UtcDateTime, cancel) : await manage.BringBackAsync(entry.Visit, design, cancel)).OrOk());
    }
}
