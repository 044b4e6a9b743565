using Kalypto.Application.BringingIn;
using Kalypto.Application.Building;
using Kalypto.Application.Drafts;
using Kalypto.Application.Editing;
using Kalypto.Application.Packs;
using Kalypto.Store;
using Kalypto.Web.Doors;
using Kalypto.Web.Models;

namespace Kalypto.Web.Endpoints;

/// <summary>The drafts of a design: what changed, which one holds, which layers are the same, and what a file was taken for.</summary>
internal static class DraftEndpoints
{
    private sealed record Held(int Draft);

    private sealed record Pairs(IReadOnlyDictionary<int, bool> Same);

    private sealed record Given(int Layer, int Lineage);

    private sealed record Named(int Layer);

    private sealed record Other(int Design);

    public static void MapDrafts(this RouteGroupBuilder project)
    {
        project.MapGet("/designs/{design:int}/changes", async (Entry entry, int design, int? with, CompareDrafts compare, PlanPack plans, MovedFiles moved, CancellationToken cancel) =>
            entry.Workspace.FindDesign(design) is var (row, state) && await plans.PlanAsync(entry.Workspace, cancel) is var plan
                ? Results.Ok(ChangesModel.Of(entry.Workspace, await compare.RunAsync(row, state, with, cancel), plan, await moved.FindAsync(entry.Workspace, plan, cancel))) : NotThere());
        project.MapPost("/designs/{design:int}/waiting", async (Entry entry, int design, WaitingDraft waiting, CancellationToken cancel) =>
            entry.Workspace.FindDesign(design) is var (row, _) && await waiting.BringAsync(entry.Author.Actor, row, cancel) is BroughtIn.Next ? Results.Ok() : NotThere());
        project.MapPost("/designs/{design:int}/held", async (Entry entry, int design, Held held, HoldDraft drafts, CancellationToken cancel) =>
            (await drafts.HoldAsync(entry.Author, design, held.Draft, cancel)).OrOk());
        project.MapPost("/designs/{design:int}/before", async (Entry entry, int design, DesignStore designs, HoldDraft drafts, CancellationToken cancel) =>
            await designs.HeldAsync(entry.Author.Project, design, cancel) is var (held, _, _) && (await designs.DraftsAsync(design, cancel)).Find(d => d.Id == held)?.Follows is { } before
                ? (await drafts.HoldAsync(entry.Author, design, before, cancel)).OrOk() : NotThere());
        project.MapPost("/designs/{design:int}/pairs", async (Entry entry, int design, Pairs said, HoldDraft drafts, CancellationToken cancel) =>
            (await drafts.SayAsync(entry.Visit, design, said.Same, cancel)).OrOk());
        project.MapPost("/designs/{design:int}/given", async (Entry entry, int design, Given given, HoldDraft drafts, CancellationToken cancel) =>
            (await drafts.GiveAsync(entry.Visit, design, given.Layer, given.Lineage, cancel)).OrOk());
        // The name that the drawing gives a layer now, in the place of the one that its files kept.
        project.MapPost("/designs/{design:int}/names", async (Entry entry, int design, Named named, EditLayers edit, CancellationToken cancel) =>
            entry.Workspace.FindLayer(design, named.Layer) is null ? NotThere() : (await edit.NameAsync(entry.Visit, new(design, named.Layer), "", cancel)).OrOk());
        project.MapPost("/designs/{design:int}/apart", async (Entry entry, int design, SortDrafts sort, CancellationToken cancel) =>
            await sort.ApartAsync(entry.Visit, design, cancel) is { } made ? Results.Ok(new { design = made }) : Problem.Conflict("There is no draft before this one, or somebody changed the design meanwhile. Load the page again."));
        project.MapPost("/designs/{design:int}/next-of", async (Entry entry, int design, Other other, SortDrafts sort, TimeProvider clock, CancellationToken cancel) =>
            await sort.JoinAsync(entry.Visit, design, other.Design, clock.GetUtcNow().UtcDateTime, cancel) is { } draft ? Results.Ok(new { other.Design, draft.Number, draft.Asked }) : NotThere());
    }

    private static IResult NotThere() => Problem.NotFound("This design is not there any more.");
}
