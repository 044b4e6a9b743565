using System.Text;
using Kalypto.Application.Building;
using Kalypto.Core.Comparing;
using Kalypto.Core.Formats;
using Kalypto.Core.Platforms;
using Kalypto.Store;
using Kalypto.Web.Doors;
using Kalypto.Web.Models;
using Kalypto.Web.Wording;

namespace Kalypto.Web.Endpoints;

/// <summary>Deliveries: opened, compared, made again, and fetched as a whole or as what is different.</summary>
internal static class DeliveryEndpoints
{
    /// <summary>Routes that need no more of a project than its number.</summary>
    public static void MapDeliveries(this RouteGroupBuilder project)
    {
        project.MapGet("/deliveries/{number:int}", async (Entry entry, int number, int? with, Deliveries deliveries, BuildStore builds, CancellationToken cancel) =>
            await deliveries.CompareAsync(entry.Author.Project, number, with, cancel) is { } compared
                ? Results.Ok(DeliveryModel.Of(compared, await builds.DeliveriesAsync(entry.Author.Project, cancel))) : NotThere());
        project.MapGet("/deliveries/{number:int}/difference", async (Entry entry, int number, int with, string identity, Deliveries deliveries, CancellationToken cancel) =>
            await deliveries.CompareAsync(entry.Author.Project, number, with, cancel) is { } compared && compared.Changes.Files.FirstOrDefault(f => f.File.Identity == identity) is { } change
                ? Results.Ok(new { Text = DeliveryWords.Say(change, await deliveries.DifferenceAsync(change, cancel)) }) : NotThere());
        project.MapPost("/deliveries/{number:int}/again", async (Entry entry, int number, BuildPack build, BuildStore builds, CancellationToken cancel) =>
        {
            if (await builds.DeliveryAsync(entry.Author.Project, number, cancel) is not { } delivery)
            {
                return NotThere();
            }
            var (id, refusal) = await build.AgainAsync(delivery, entry.Author.Actor, cancel);
            return refusal is not null ? Problem.Conflict(PackWords.Say(refusal)) : Results.Ok(new { build = id });
        });
    }

    /// <summary>Files and zips, by the number of the build.</summary>
    public static void MapFiles(this IEndpointRouteBuilder app)
    {
        app.MapGet("/builds/{build:int}/file", async (int build, string path, BuildStore builds, IBlobs blobs, HttpResponse response, CancellationToken cancel) =>
        {
            if (await builds.FindAsync(build, cancel) is null || (await builds.FilesAsync(build, cancel)).Find(f => f.Path == path) is not { } file || await blobs.OpenAsync(file.Sha256, cancel) is not { } content)
            {
                return Results.NotFound();
            }
            PictureEndpoints.OnlySeen(response);
            return Results.Stream(content, Format.All.FirstOrDefault(f => path.EndsWith(f.Extension, StringComparison.OrdinalIgnoreCase))?.MediaType ?? "application/octet-stream");
        });
        app.MapGet("/builds/{build:int}.zip", async (int build, int? since, string? platform, BuildStore builds, BuildPack pack, Deliveries deliveries, IBlobs blobs, ProjectStore projects, HttpResponse response, CancellationToken cancel) =>
        {
            if (await builds.FindAsync(build, cancel) is not { State: "done" } row)
            {
                response.StatusCode = StatusCodes.Status404NotFound;
                return;
            }
            var name = (await projects.FindAsync(row.ProjectId, cancel))?.Name ?? "";
            // Of a platform that there is none of, the whole.
            var only = AllPlatforms.List.FirstOrDefault(p => p.Id == platform)?.Id;
            ZipAnswer.Begin(response, name, "pack", $"-{row.Number}{(since is { } other ? $"-since-{other}" : only is null ? "" : $"-{only}")}");
            if (since is { } from && await deliveries.CompareAsync(row.ProjectId, row.Number ?? 0, from, cancel) is { } compared)
            {
                await deliveries.ZipAsync(name, compared, response.Body, cancel);
            }
            else if (only is null && row.ZipSha256 is { } sha256 && await blobs.OpenAsync(sha256, cancel) is { } zip)
            {
                await using (zip)
                {
                    await zip.CopyToAsync(response.Body, cancel);
                }
            }
            else
            {
                await pack.ZipAsync(build, response.Body, cancel, only);
            }
        });
        app.MapGet("/builds/{build:int}/changes.json", (int build, int? since, BuildStore builds, Deliveries deliveries, ProjectStore projects, CancellationToken cancel) =>
            ListAsync(build, since, builds, deliveries, projects, list => Results.Bytes(list.Json(), "application/json"), cancel));
        app.MapGet("/builds/{build:int}/CHANGES.md", (int build, int? since, BuildStore builds, Deliveries deliveries, ProjectStore projects, CancellationToken cancel) =>
            ListAsync(build, since, builds, deliveries, projects, list => Results.Text(list.Markdown(), "text/markdown", Encoding.UTF8), cancel));
    }

    private static async Task<IResult> ListAsync(int build, int? since, BuildStore builds, Deliveries deliveries, ProjectStore projects, Func<ChangeList, IResult> write, CancellationToken cancel) =>
        await builds.FindAsync(build, cancel) is { Number: { } number } row && await deliveries.CompareAsync(row.ProjectId, number, since, cancel) is { } compared
            ? write(Deliveries.ListOf((await projects.FindAsync(row.ProjectId, cancel))?.Name ?? "", compared)) : Results.NotFound();

    private static IResult NotThere() => Problem.NotFound("There is no delivery of this number.");
}
