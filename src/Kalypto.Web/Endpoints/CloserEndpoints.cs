using Kalypto.Web.Models;
using Kalypto.Web.UseCases;

namespace Kalypto.Web.Endpoints;

/// <summary>A closer look at one file of the pack.</summary>
internal static class CloserEndpoints
{
    private sealed record Wish(string Key, string Ask);

    public static void MapCloser(this IEndpointRouteBuilder app)
    {
        var api = app.Edits("/api/projects/{project:int}");
        api.MapGet("/closer/{key}", async (int project, string key, OpenProject open, CancellationToken cancel) =>
            await open.LoadAsync(project, cancel) is { } workspace && CloserModel.Of(workspace, await open.PlanAsync(workspace, cancel), key) is { } model ? Results.Ok(model) : Results.NotFound());
        api.MapPost("/closer/try", async (int project, Wish wish, OpenProject open, LookCloser closer, CancellationToken cancel) =>
        {
            if (await open.LoadAsync(project, cancel) is not { } workspace)
            {
                return Results.NotFound();
            }
            var (other, refusal) = await closer.TryAsync(workspace, wish.Key, wish.Ask, cancel);
            return refusal is not null ? Results.Conflict(new { message = refusal })
                : other!.Row.Sha256 is null ? Results.Conflict(new { message = other.Row.Failure })
                : Results.Ok(new
                {
                    picture = $"/pictures/files/{other.Key}{other.Format.Extension}",
                    canShow = other.Format.BrowsersShow,
                    weight = Words.Weight((other.Row.Weight, false)),
                    bytes = other.Row.Weight,
                    note = other.Row.Note,
                    likeness = other.Difference is { } d ? Math.Round(d.Likeness, 4) : (double?)null,
                    share = other.Difference?.Share,
                    largest = other.Difference?.Largest,
                });
        });
    }
}
