using Kalypto.Application.Building;
using Kalypto.Application.Desk;
using Kalypto.Application.Packs;
using Kalypto.Store;
using Kalypto.Web.Doors;
using Kalypto.Web.Models;
using Kalypto.Web.Wording;

namespace Kalypto.Web.Endpoints;

/// <summary>The pack and its builds.</summary>
internal static class PackEndpoints
{
    private const int MostLooked = 200;

    private sealed record Looked(IReadOnlyList<string>? Keys);

    public static void MapPack(this RouteGroupBuilder project)
    {
        project.MapGet("/pack", async (Entry entry, [AsParameters] PackQuery query, PlanPack plans, ScreenProofs proofs, ProvePictures pictures, CancellationToken cancel) =>
        {
            var plan = await plans.PlanAsync(entry.Workspace, cancel);
            await plans.DrawAheadAsync(entry.Workspace, plan, DrawingQueue.Ahead, cancel);
            return Results.Ok(PackModel.Of(entry.Workspace, plan, await PackProofs.OfAsync(proofs, pictures, entry.Workspace, plan, cancel), query));
        });
        project.MapPost("/pack/looked", async (Entry entry, Looked looked, PlanPack plans, CancellationToken cancel) =>
        {
            await plans.LookAtAsync(entry.Workspace, (looked.Keys ?? []).Take(MostLooked).ToHashSet(), cancel);
            return Results.Ok();
        });
        project.MapPost("/builds/preview", PreviewAsync);
        project.MapGet("/builds/{build:int}", async (Entry entry, int build, BuildStore builds, CancellationToken cancel) =>
            (await builds.ListAsync(entry.Author.Project, cancel)).FirstOrDefault(b => b.Id == build) is not { } row ? Results.NotFound()
                : Results.Ok(new { state = row.State, says = row.State == "running" ? $"{row.Done} of {Words.Count(row.Total, "file")} made" : row.State == "done" ? Words.Count(row.Total, "file") : row.Message ?? row.State }));
        project.MapPost("/builds", async (Entry entry, BuildAsk? ask, string? line, BuildPack build, CancellationToken cancel) =>
        {
            var (id, refusal) = await build.StartAsync(entry.Workspace, ask ?? new(), cancel, line ?? "", entry.Author.Actor);
            return refusal is not null ? Problem.Conflict(PackWords.Say(refusal)) : Results.Ok(new { build = id });
        });
    }

    private static async Task<IResult> PreviewAsync(Entry entry, BuildAsk ask, PlanPack plans, CancellationToken cancel)
    {
        if (ask.MistakeFor(entry.Workspace) is { } mistake)
        {
            return Results.Ok(new { says = mistake, isWrong = true });
        }
        var asked = ask.On(entry.Workspace);
        var plan = await plans.PlanAsync(asked, cancel);
        var files = plan.Pack.Files.Where(ask.Holds(asked)).ToList();
        return Results.Ok(files.Count == 0 ? new { says = "Nothing comes of that: no file is made of these layers.", isWrong = true }
            : new { says = $"{Words.Count(files.Count, "file")}, {Words.Weight(plan.WeightOf(files))}", isWrong = false });
    }

    /// <summary>The builds of a project, for a page.</summary>
    public static async Task<IEnumerable<BuildModel>> BuildsAsync(Entry entry, BuildStore builds, CancellationToken cancel)
    {
        var sums = (await builds.SumsAsync(entry.Author.Project, cancel)).ToLookup(s => s.Number);
        // Who may see one delivery alone is not told of others.
        return (await builds.ListAsync(entry.Author.Project, cancel)).Where(b => entry.Access.Delivery is not { } one || b.Number == one).Select(b => BuildModel.Of(b, sums));
    }

    public static void MapBuilds(this RouteGroupBuilder project)
    {
        project.MapGet("/builds", async (Entry entry, BuildStore builds, CancellationToken cancel) =>
            Results.Ok(await BuildsAsync(entry, builds, cancel))).WithMetadata(new OfNewestDeliveryAttribute());
        project.MapPost("/builds/{build:int}/cancel", async (Entry entry, int build, BuildStore builds, CancellationToken cancel) =>
        {
            await builds.AskToCancelAsync(entry.Author.Project, build, cancel);
            return Results.Ok();
        }).For(Need.Designer);
    }
}
