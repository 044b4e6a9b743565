using Kalypto.Core.Platforms;
using Kalypto.Core.Reading;
using Kalypto.Store;
using Kalypto.Web.UseCases;

namespace Kalypto.Web.Endpoints;

/// <summary>Projects, the files brought into them, and what holds for a whole design.</summary>
internal static class ProjectEndpoints
{
    private sealed record DrawnAt(double Value);

    private sealed record PlatformChoice(string Platform, bool On);

    public static void MapProjects(this IEndpointRouteBuilder app)
    {
        var api = app.Edits("/api/projects");

        api.MapPost("/", async (HttpRequest request, BringIn bringIn, CancellationToken cancel) =>
        {
            var files = (await request.ReadFormAsync(cancel)).Files;
            if (files.Count == 0)
            {
                return Results.BadRequest(new { message = "No file came with it. Drop one or more SVG files." });
            }
            var project = await bringIn.NewProjectAsync(BringIn.DesignName(files[0].FileName), cancel);
            return Results.Ok(new { project, results = await BringAsync(bringIn, project, files, cancel) });
        }).DisableAntiforgery();

        api.MapPost("/{project:int}/files", async (int project, HttpRequest request, BringIn bringIn, ProjectStore projects, CancellationToken cancel) =>
            await projects.FindAsync(project, cancel) is null ? Results.NotFound()
                : Results.Ok(new { project, results = await BringAsync(bringIn, project, (await request.ReadFormAsync(cancel)).Files, cancel) })).DisableAntiforgery();

        api.MapPost("/{project:int}/designs/{design:int}/drawn-at", async (int project, int design, DrawnAt drawnAt, EditStore edits, CancellationToken cancel) =>
        {
            if (drawnAt.Value is not (1 or 2 or 3))
            {
                return Results.BadRequest(new { message = "A design is drawn at 1x, 2x or 3x." });
            }
            await edits.SetDrawnAtAsync(project, design, drawnAt.Value, cancel);
            return Results.Ok();
        });

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

    private static async Task<List<BroughtIn>> BringAsync(BringIn bringIn, int project, IFormFileCollection files, CancellationToken cancel)
    {
        var results = new List<BroughtIn>();
        foreach (var file in files)
        {
            var name = Path.GetFileName(file.FileName);
            if (file.Length > ReadingLimits.Default.Bytes)
            {
                results.Add(BringIn.TooLarge(name, file.Length));
                continue;
            }
            using var bytes = new MemoryStream((int)file.Length);
            await file.CopyToAsync(bytes, cancel);
            results.Add(await bringIn.FileAsync(project, name, bytes.ToArray(), cancel));
        }
        return results;
    }
}
