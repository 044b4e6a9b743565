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
        project.MapGet("/pack", async (Entry entry, [AsParameters] PackQuery query, PlanPack plans, ScreenProofs proofs, CancellationToken cancel) =>
        {
            var plan = await plans.PlanAsync(entry.Workspace, cancel);
            await plans.DrawAheadAsync(entry.Workspace, plan, DrawingQueue.Ahead, cancel);
            return Results.Ok(PackModel.Of(entry.Workspace, plan, await PackProofs.OfAsync(proofs, entry.Workspace, cancel), query));
        });
        project.MapPost("/pack/looked", async (Entry entry, Looked looked, PlanPack plans, CancellationToken cancel) =>
        {
            await plans.LookAtAsync(entry.Workspace, (looked.Keys ?? []).Take(MostLooked).ToHashSet(), cancel);
            return Results.Ok();
        });
        project.MapPost("/builds", async (Entry entry, BuildAsk? ask, string? line, BuildPack build, CancellationToken cancel) =>
        {
            var (id, refusal) = await build.StartAsync(entry.Workspace, ask ?? new(), cancel, line ?? "", entry.Author.Actor);
            return refusal is not null ? Problem.Conflict(PackWords.Say(refusal)) : Results.Ok(new { build = id });
        });
    }

    /// <summary>The builds of a project, for a page.</summary>
    public static async Task<IEnumerable<BuildModel>> BuildsAsync(BuildStore builds, int project, CancellationToken cancel)
    {
        var sums = (await builds.SumsAsync(project, cancel)).ToLookup(s => s.Number);
        return (await builds.ListAsync(project, cancel)).Select(b => BuildModel.Of(b, sums));
    }

    public static void MapBuilds(this RouteGroupBuilder project)
    {
        project.MapGet("/builds", async (Entry entry, BuildStore builds, CancellationToken cancel) =>
            Results.Ok(await BuildsAsync(builds, entry.Author.Project, cancel)));
        project.MapPost("/builds/{build:int}/cancel", async (Entry entry, int build, BuildStore builds, CancellationToken cancel) =>
        {
            await builds.AskToCancelAsync(entry.Author.Project, build, cancel);
            return Results.Ok();
        });
    }
}
