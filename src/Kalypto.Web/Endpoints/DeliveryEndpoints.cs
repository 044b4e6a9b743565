using System.Text;
using Kalypto.Application.Building;
using Kalypto.Core.Comparing;
using Kalypto.Core.Formats;
using Kalypto.Core.Platforms;
using Kalypto.Store;
using Kalypto.Store.People;
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
            await deliveries.CompareAsync(entry.Author.Project, number, entry.Access.Delivery is null ? with : 0, cancel) is { } compared
                ? Results.Ok(DeliveryModel.Of(compared, await ShownAsync(entry, builds, cancel))) : NotThere());
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
        }).For(Need.Designer);
    }

    /// <summary>Files and zips, by the number of the build.</summary>
    public static void MapFiles(this RouteGroupBuilder project)
    {
        project.MapGet("/builds/{build:int}/file", async (Entry entry, int build, string path, BuildStore builds, IBlobs blobs, HttpResponse response, CancellationToken cancel) =>
            await FindAsync(entry, builds, build, cancel) is not null && (await builds.FilesAsync(build, cancel)).Find(f => f.Path == path) is { } file ? await FileAsync(blobs, file, response, cancel) : Results.NotFound());
        project.MapGet("/builds/{build:int}.zip", async (Entry entry, int build, int? since, string? platform, BuildStore builds, BuildPack pack, Deliveries deliveries, IBlobs blobs, ProjectStore projects, Audit audit, HttpResponse response, CancellationToken cancel) =>
        {
            var only = AllPlatforms.List.FirstOrDefault(p => p.Id == platform)?.Id;
            if (only is null && !string.IsNullOrEmpty(platform))
            {
                await Problem.BadRequest($"There is no platform of this name. Ask for one of {string.Join(", ", AllPlatforms.List.Select(p => p.Id))}, or for none to get the whole pack.").ExecuteAsync(response.HttpContext);
                return;
            }
            if (await FindAsync(entry, builds, build, cancel) is not { State: "done" } row)
            {
                response.StatusCode = StatusCodes.Status404NotFound;
                return;
            }
            var name = (await projects.FindAsync(row.ProjectId, cancel))?.Name ?? "";
            await audit.WriteAsync(response.HttpContext, AuditEvent.DeliveryDownloaded, $"delivery {row.Number}{(since is { } earlier ? $", what differs from {earlier}" : only is null ? "" : $", {only}")}");
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
        project.MapGet("/builds/{build:int}/changes.json", (Entry entry, int build, int? since, BuildStore builds, Deliveries deliveries, ProjectStore projects, CancellationToken cancel) =>
            ListAsync(entry, build, since, builds, deliveries, projects, list => Results.Bytes(list.Json(), "application/json"), cancel));
        project.MapGet("/builds/{build:int}/CHANGES.md", (Entry entry, int build, int? since, BuildStore builds, Deliveries deliveries, ProjectStore projects, CancellationToken cancel) =>
            ListAsync(entry, build, since, builds, deliveries, projects, list => Results.Text(list.Markdown(), "text/markdown", Encoding.UTF8), cancel));
    }

    private static async Task<IResult> ListAsync(Entry entry, int build, int? since, BuildStore builds, Deliveries deliveries, ProjectStore projects, Func<ChangeList, IResult> write, CancellationToken cancel) =>
        await FindAsync(entry, builds, build, cancel) is { Number: { } number } row && await deliveries.CompareAsync(row.ProjectId, number, since, cancel) is { } compared
            ? write(await deliveries.ListAsync((await projects.FindAsync(row.ProjectId, cancel))?.Name ?? "", compared, cancel)) : Results.NotFound();

    /// <summary>The content of a delivered file, to be looked at.</summary>
    public static async Task<IResult> FileAsync(IBlobs blobs, DeliveredFile file, HttpResponse response, CancellationToken cancel)
    {
        if (await blobs.OpenAsync(file.Sha256, cancel) is not { } content)
        {
            return Results.NotFound();
        }
        PictureEndpoints.OnlySeen(response);
        return Results.Stream(content, Format.All.FirstOrDefault(f => file.Path.EndsWith(f.Extension, StringComparison.OrdinalIgnoreCase))?.MediaType ?? "application/octet-stream");
    }

    /// <summary>The deliveries that somebody is told of.</summary>
    public static async Task<IReadOnlyList<BuildRow>> ShownAsync(Entry entry, BuildStore builds, CancellationToken cancel) =>
        [.. (await builds.DeliveriesAsync(entry.Author.Project, cancel)).Where(d => entry.Access.Delivery is null || d.Number == entry.Access.Delivery)];

    // A build of this project, and of the one delivery where no other may be seen.
    private static async Task<BuildRow?> FindAsync(Entry entry, BuildStore builds, int build, CancellationToken cancel) =>
        await builds.FindAsync(build, cancel) is { } row && row.ProjectId == entry.Author.Project && (entry.Access.Delivery is null || entry.Access.Delivery == row.Number) ? row : null;

    private static IResult NotThere() => Problem.NotFound("There is no delivery of this number.");
}
