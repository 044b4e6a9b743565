using System.Text.Json;
using Kalypto.Application.BringingIn;
using Kalypto.Application.Editing;
using Kalypto.Core.Reading;
using Kalypto.Store;
using Kalypto.Web.Doors;
using Kalypto.Web.Wording;

namespace Kalypto.Web.Endpoints;

/// <summary>Projects, and the files brought into them.</summary>
internal static class ProjectEndpoints
{
    private sealed record PlatformChoice(string Platform, bool On);

    private sealed record NewProject(string? Name);

    private sealed record Said(string? Name, string? Description);

    private sealed record Whether(bool Value);

    /// <summary>Routes that lie in no project.</summary>
    public static void MapProjects(this IEndpointRouteBuilder app)
    {
        var all = app.Edits("/api/projects").For(Need.Person);
        all.MapPost("/", async (Entry entry, HttpRequest request, HttpResponse response, BringIn bringIn, ILogger<BringIn> log, CancellationToken cancel) =>
        {
            var files = await FilesAsync(request, cancel);
            return files.Count == 0 ? NoFile() : await BringAsync(response, bringIn, new(entry.Author.Actor), files, log, cancel);
        }).DisableAntiforgery().TakesFiles();
        all.MapPost("/new", async (Entry entry, NewProject wish, ManageProject manage, CancellationToken cancel) =>
            await manage.AddAsync(wish.Name ?? "", entry.Author.Actor, cancel) is { } project ? Results.Ok(new { project }) : Problem.BadRequest("A project needs a name."));
    }

    /// <summary>Routes that need no more of a project than its number.</summary>
    public static void MapProject(this RouteGroupBuilder project)
    {
        project.MapPost("/files", async (Entry entry, HttpRequest request, HttpResponse response, BringIn bringIn, ProjectStore projects, ILogger<BringIn> log, CancellationToken cancel) =>
        {
            if (await projects.FindAsync(entry.Author.Project, cancel) is null)
            {
                return Problem.NotFound("This project is not there any more.");
            }
            var files = await FilesAsync(request, cancel);
            return files.Count == 0 ? NoFile() : await BringAsync(response, bringIn, new(entry.Author.Actor, entry.Author.Project)
            {
                Design = int.TryParse(request.Form["design"], out var design) ? design : null,
                Touched = [.. request.Form["touched"].ToString().Split(',').Select(t => int.TryParse(t, out var touched) ? touched : 0)],
            }, files, log, cancel);
        }).DisableAntiforgery().TakesFiles();
        project.MapPost("/said", async (Entry entry, Said said, ManageProject manage, CancellationToken cancel) =>
        {
            var done = said.Name is { } name ? await manage.NameAsync(entry.Author, name, cancel) : new(StepState.Nothing);
            return (said.Description is { } text && done.Refusal() is null ? await manage.DescribeAsync(entry.Author, text, cancel) : done).OrOk();
        });
        project.MapPost("/archived", async (Entry entry, Whether archived, ManageProject manage, TimeProvider clock, CancellationToken cancel) =>
            (await manage.ArchiveAsync(entry.Author, archived.Value, clock.GetUtcNow().UtcDateTime, cancel)).OrOk()).For(Need.Owner);
        project.MapPost("/deleted", async (Entry entry, Whether deleted, ManageProject manage, TimeProvider clock, CancellationToken cancel) =>
            (await manage.DeleteAsync(entry.Author, deleted.Value, clock.GetUtcNow().UtcDateTime, cancel)).OrOk()).For(Need.Owner).WithMetadata(new ProjectScope(Loads: false, EvenDeleted: true));
    }

    /// <summary>What holds for a project as a whole.</summary>
    public static void MapPlatforms(this RouteGroupBuilder project) => project.MapPost("/platforms", async (Entry entry, PlatformChoice choice, ManageProject manage, CancellationToken cancel) =>
        (await manage.PlatformAsync(entry.Visit, choice.Platform, choice.On, cancel)).OrOk());

    // Fonts belong to the project that the drawings make.
    private static async Task<IReadOnlyList<IFormFile>> FilesAsync(HttpRequest request, CancellationToken cancel) =>
        request.HasFormContentType ? [.. (await request.ReadFormAsync(cancel)).Files.OrderBy(f => BringIn.IsFont(f.FileName))] : [];

    private static IResult NoFile() => Problem.BadRequest($"No file came with it. Drop one or more drawings ({string.Join(", ", DrawingReader.Endings)}).");

    /// <summary>Brings files in and says of each how it went as soon as it is done: one line of JSON a file.</summary>
    private static async Task<IResult> BringAsync(HttpResponse response, BringIn bringIn, Target target, IReadOnlyList<IFormFile> files, ILogger log, CancellationToken cancel)
    {
        response.ContentType = "application/x-ndjson";
        response.Headers.CacheControl = "no-store";
        foreach (var file in files)
        {
            var name = Path.GetFileName(file.FileName);
            var isZip = Path.GetExtension(name).Equals(".zip", StringComparison.OrdinalIgnoreCase);
            if (file.Length > (isZip ? BringIn.MostBytes : ReadingLimits.Default.Bytes))
            {
                await TellAsync(response, target, new BroughtIn.TooLarge(name, file.Length), cancel);
                continue;
            }
            var bytes = new byte[file.Length];
            await using (var stream = file.OpenReadStream())
            {
                await stream.ReadExactlyAsync(bytes, cancel);
            }
            try
            {
                await foreach (var result in bringIn.FilesAsync(target, name, bytes, cancel))
                {
                    await TellAsync(response, target, result, cancel);
                }
            }
            catch (Exception e) when (response.HasStarted && e is not OperationCanceledException)
            {
                // The status has gone out already; what failed is said where the result would be.
                log.LogError(e, "Bringing {File} in failed", name);
                var message = $"{name} was not brought in. {Failures.Say(Failures.StatusOf(e), e).Advice}";
                await LineAsync(response, new { target.Project, Result = new { File = name, Message = message } }, cancel);
            }
        }
        return Results.Empty;
    }

    private static async Task TellAsync(HttpResponse response, Target target, BroughtIn result, CancellationToken cancel)
    {
        if (result is BroughtIn.Measuring)
        {
            await LineAsync(response, new { Reached = BroughtInWords.Say(result) }, cancel);
            return;
        }
        var design = result switch { BroughtIn.Read read => read.Design, BroughtIn.Next next => next.Design, BroughtIn.Unchanged same => same.Design, _ => (int?)null };
        var line = new
        {
            target.Project,
            result = new
            {
                result.File,
                design,
                IsNext = result is BroughtIn.Next,
                IsUnchanged = result is BroughtIn.Unchanged,
                IsFont = result is BroughtIn.Lettered,
                Like = (result as BroughtIn.Read)?.Like?.Id,
                LikeName = (result as BroughtIn.Read)?.Like?.Name,
                Message = BroughtInWords.Say(result),
            },
        };
        await LineAsync(response, line, cancel);
    }

    private static async Task LineAsync<T>(HttpResponse response, T line, CancellationToken cancel)
    {
        await response.WriteAsync(JsonSerializer.Serialize(line, JsonSerializerOptions.Web) + "\n", cancel);
        await response.Body.FlushAsync(cancel);
    }
}
