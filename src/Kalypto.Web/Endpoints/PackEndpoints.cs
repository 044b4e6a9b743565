using Kalypto.Store;
using Kalypto.Web.Models;
using Kalypto.Web.UseCases;

namespace Kalypto.Web.Endpoints;

/// <summary>The pack, its builds and the finished zips.</summary>
internal static class PackEndpoints
{
    public static void MapPack(this IEndpointRouteBuilder app)
    {
        var api = app.Edits("/api/projects/{project:int}");

        api.MapGet("/pack", async (int project, OpenProject open, CancellationToken cancel) =>
        {
            if (await open.LoadAsync(project, cancel) is not { } workspace)
            {
                return Results.NotFound();
            }
            var plan = await open.PlanAsync(workspace, cancel);
            await open.DrawAheadAsync(workspace, plan, DrawingQueue.Ahead, cancel);
            return Results.Ok(PackModel.Of(workspace, plan));
        });

        api.MapPost("/builds", async (int project, BuildPack build, CancellationToken cancel) =>
        {
            var (id, refusal) = await build.StartAsync(project, cancel);
            return id is null ? Results.Conflict(new { message = refusal }) : Results.Ok(new { build = id });
        });

        api.MapGet("/builds", async (int project, BuildStore builds, CancellationToken cancel) =>
            Results.Ok((await builds.ListAsync(project, cancel)).Select(BuildModel.Of)));

        api.MapPost("/builds/{build:int}/cancel", (int build, BuildPack builds) =>
        {
            builds.Cancel(build);
            return Results.Ok();
        });

        app.MapGet("/builds/{build:int}.zip", async (int build, BuildStore builds, BlobStore blobs, ProjectStore projects, CancellationToken cancel) =>
            await builds.FindAsync(build, cancel) is { ZipSha256: { } sha256 } row && await blobs.GetAsync(sha256, cancel) is { } zip
                ? Results.File(zip, "application/zip", $"{FileName((await projects.FindAsync(row.ProjectId, cancel))?.Name)}-{row.Id}.zip") : Results.NotFound());
    }

    private static string FileName(string? project) =>
        Core.Naming.NameWords.Join(Core.Naming.NameWords.Split(project ?? ""), "-", 40) is { Length: > 0 } name ? name : "pack";
}
