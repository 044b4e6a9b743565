using System.Text.Json;
using Kalypto.Core.Platforms;
using Kalypto.Core.Reading;
using Kalypto.Store;
using Kalypto.Web.UseCases;

namespace Kalypto.Web.Endpoints;

/// <summary>Projects, the files brought into them, and what holds for a whole design.</summary>
internal static class ProjectEndpoints
{
    private sealed record PlatformChoice(string Platform, bool On);

    public static void MapProjects(this IEndpointRouteBuilder app)
    {
        var api = app.Edits("/api/projects");

        api.MapPost("/", async (HttpRequest request, HttpResponse response, BringIn bringIn, CancellationToken cancel) =>
        {
            var files = (await request.ReadFormAsync(cancel)).Files;
            if (files.Count == 0)
            {
                return Results.BadRequest(new { message = $"No file came with it. Drop one or more drawings ({string.Join(", ", DrawingReader.Endings)})." });
            }
            return await BringAsync(response, bringIn, await bringIn.NewProjectAsync(BringIn.DesignName(files[0].FileName), cancel), files, cancel);
        }).DisableAntiforgery();
        api.MapPost("/{project:int}/files", async (int project, HttpRequest request, HttpResponse response, BringIn bringIn, ProjectStore projects, CancellationToken cancel) =>
            await projects.FindAsync(project, cancel) is null ? Results.NotFound()
                : await BringAsync(response, bringIn, project, (await request.ReadFormAsync(cancel)).Files, cancel)).DisableAntiforgery();
        api.MapPost("/{project:int}/platforms", async (int project, PlatformChoice choice, ProjectStore projects, CancellationToken cancel) =>
        {
            if (await projects.FindAsync(project, cancel) is not { } row)
            {
                return Results.NotFound();
            }
            await projects.SetPlatformsAsync(project, [.. AllPlatforms.List.Select(p => p.Id)
                .Where(id => id == choice.Platform ? choice.On : row.Platforms.Contains(id))], cancel);
            return Results.Ok();
        });
    }

    /// <summary>Brings files in and says of each how it went as soon as it is done: one line of JSON a file.</summary>
    private static async Task<IResult> BringAsync(HttpResponse response, BringIn bringIn, int project, IFormFileCollection files, CancellationToken cancel)
    {
        response.ContentType = "application/x-ndjson";
        response.Headers.CacheControl = "no-store";
        foreach (var file in files)
        {
            var name = Path.GetFileName(file.FileName);
            var isZip = Path.GetExtension(name).Equals(".zip", StringComparison.OrdinalIgnoreCase);
            if (file.Length > (isZip ? BringIn.MostBytes : ReadingLimits.Default.Bytes))
            {
                await TellAsync(response, project, BringIn.TooLarge(name, file.Length), cancel);
                continue;
            }
            using var bytes = new MemoryStream((int)file.Length);
            await file.CopyToAsync(bytes, cancel);
            await foreach (var result in bringIn.FilesAsync(project, name, bytes.ToArray(), cancel))
            {
                await TellAsync(response, project, result, cancel);
            }
        }
        return Results.Empty;
    }

    private static async Task TellAsync(HttpResponse response, int project, BroughtIn result, CancellationToken cancel)
    {
        await response.WriteAsync(JsonSerializer.Serialize(new { project, result }, JsonSerializerOptions.Web) + "\n", cancel);
        await response.Body.FlushAsync(cancel);
    }
}
