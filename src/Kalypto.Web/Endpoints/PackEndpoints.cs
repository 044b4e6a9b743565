using Kalypto.Store;
using Kalypto.Web.Desk;
using Kalypto.Web.Models;
using Kalypto.Web.UseCases;
using Microsoft.AspNetCore.Http.Features;

namespace Kalypto.Web.Endpoints;

/// <summary>The pack, its builds and the finished zips.</summary>
internal static class PackEndpoints
{
    private const int MostLooked = 200;

    private sealed record Looked(IReadOnlyList<string> Keys);

    public static void MapPack(this IEndpointRouteBuilder app)
    {
        var api = app.Edits("/api/projects/{project:int}");

        api.MapGet("/pack", async (int project, [AsParameters] PackQuery query, OpenProject open, CancellationToken cancel) =>
        {
            if (await open.LoadAsync(project, cancel) is not { } workspace)
            {
                return Results.NotFound();
            }
            var plan = await open.PlanAsync(workspace, cancel);
            await open.DrawAheadAsync(workspace, plan, DrawingQueue.Ahead, cancel);
            return Results.Ok(PackModel.Of(workspace, plan, query));
        });

        // What is looked at is drawn before the rest.
        api.MapPost("/pack/looked", async (int project, Looked looked, OpenProject open, DrawingDesk desk, CancellationToken cancel) =>
        {
            if (await open.LoadAsync(project, cancel) is not { } workspace)
            {
                return Results.NotFound();
            }
            var keys = looked.Keys.Take(MostLooked).ToHashSet();
            var plan = await open.PlanAsync(workspace, cancel);
            var jobs = new Jobs(workspace, desk);
            var files = plan.Pack.Files.Where(f => keys.Contains(f.Key.Hex)).ToLookup(f => f.Picture.CropIsGuess);
            await desk.QueueLooksAsync([.. files[true].Select(f => f.Picture).DistinctBy(p => p.Ref).Select(jobs.Look)], DrawingQueue.Looked, cancel);
            await desk.QueueAsync([.. files[false].Select(jobs.File)], DrawingQueue.Looked, cancel);
            return Results.Ok();
        });

        api.MapPost("/builds", async (int project, BuildAsk? ask, BuildPack build, CancellationToken cancel) =>
        {
            var (id, refusal) = await build.StartAsync(project, ask ?? new(), cancel);
            return id is null ? Results.Conflict(new { message = refusal }) : Results.Ok(new { build = id });
        });

        api.MapGet("/builds", async (int project, BuildStore builds, CancellationToken cancel) =>
            Results.Ok((await builds.ListAsync(project, cancel)).Select(BuildModel.Of)));

        api.MapPost("/builds/{build:int}/cancel", (int build, BuildPack builds) =>
        {
            builds.Cancel(build);
            return Results.Ok();
        });

        app.MapGet("/builds/{build:int}.zip", async (int build, BuildStore builds, BuildPack pack, BlobStore blobs, ProjectStore projects, HttpResponse response, CancellationToken cancel) =>
        {
            if (await builds.FindAsync(build, cancel) is not { State: "done" } row)
            {
                response.StatusCode = StatusCodes.Status404NotFound;
                return;
            }
            response.ContentType = "application/zip";
            response.Headers.ContentDisposition = $"attachment; filename=\"{FileName((await projects.FindAsync(row.ProjectId, cancel))?.Name)}-{row.Id}.zip\"";
            if (row.ZipSha256 is { } sha256 && await blobs.GetAsync(sha256, cancel) is { } zip)
            {
                await response.Body.WriteAsync(zip, cancel);
                return;
            }
            // The archive writes the few bytes behind each entry synchronously, whichever way it is used.
            response.HttpContext.Features.GetRequiredFeature<IHttpBodyControlFeature>().AllowSynchronousIO = true;
            await pack.ZipAsync(build, response.Body, cancel);
        });
    }

    private static string FileName(string? project) =>
        Core.Naming.NameWords.Join(Core.Naming.NameWords.Split(project ?? ""), "-", 40) is { Length: > 0 } name ? name : "pack";
}
