using Kalypto.Application.Building;
using Kalypto.Application.Packs;
using Kalypto.Core.Naming;
using Kalypto.Store;
using Kalypto.Web.Doors;
using Kalypto.Web.Models;
using Kalypto.Web.Wording;
using Microsoft.AspNetCore.Http.Features;

namespace Kalypto.Web.Endpoints;

/// <summary>The pack, its builds and the finished zips.</summary>
internal static class PackEndpoints
{
    private const int MostLooked = 200;

    private sealed record Looked(IReadOnlyList<string> Keys);

    public static void MapPack(this RouteGroupBuilder project)
    {
        project.MapGet("/pack", async (Entry entry, [AsParameters] PackQuery query, PlanPack plans, CancellationToken cancel) =>
        {
            var plan = await plans.PlanAsync(entry.Workspace, cancel);
            await plans.DrawAheadAsync(entry.Workspace, plan, DrawingQueue.Ahead, cancel);
            return Results.Ok(PackModel.Of(entry.Workspace, plan, query));
        });
        project.MapPost("/pack/looked", async (Entry entry, Looked looked, PlanPack plans, CancellationToken cancel) =>
        {
            await plans.LookAtAsync(entry.Workspace, looked.Keys.Take(MostLooked).ToHashSet(), cancel);
            return Results.Ok();
        });
        project.MapPost("/builds", async (Entry entry, BuildAsk? ask, BuildPack build, CancellationToken cancel) =>
        {
            var (id, refusal) = await build.StartAsync(entry.Workspace, ask ?? new(), cancel);
            return refusal is not null ? Results.Conflict(new { message = PackWords.Say(refusal) }) : Results.Ok(new { build = id });
        });
    }

    public static void MapBuilds(this RouteGroupBuilder project)
    {
        project.MapGet("/builds", async (Entry entry, BuildStore builds, CancellationToken cancel) =>
            Results.Ok((await builds.ListAsync(entry.Author.Project, cancel)).Select(BuildModel.Of)));
        project.MapPost("/builds/{build:int}/cancel", async (Entry entry, int build, BuildStore builds, CancellationToken cancel) =>
        {
            await builds.AskToCancelAsync(entry.Author.Project, build, cancel);
            return Results.Ok();
        });
    }

    public static void MapZips(this IEndpointRouteBuilder app) => app.MapGet("/builds/{build:int}.zip", async (
        int build, BuildStore builds, BuildPack pack, IBlobs blobs, ProjectStore projects, HttpResponse response, CancellationToken cancel) =>
    {
        if (await builds.FindAsync(build, cancel) is not { State: "done" } row)
        {
            response.StatusCode = StatusCodes.Status404NotFound;
            return;
        }
        response.ContentType = "application/zip";
        response.Headers.ContentDisposition = $"attachment; filename=\"{FileName((await projects.FindAsync(row.ProjectId, cancel))?.Name)}-{row.Id}.zip\"";
        if (row.ZipSha256 is { } sha256 && await blobs.OpenAsync(sha256, cancel) is { } zip)
        {
            await using (zip)
            {
                await zip.CopyToAsync(response.Body, cancel);
            }
            return;
        }
        // The archive writes the few bytes behind each entry synchronously, whichever way it is used.
        response.HttpContext.Features.GetRequiredFeature<IHttpBodyControlFeature>().AllowSynchronousIO = true;
        await pack.ZipAsync(build, response.Body, cancel);
    });

    private static string FileName(string? project) => NameWords.Join(NameWords.Split(project ?? ""), "-", 40) is { Length: > 0 } name ? name : "pack";
}
