using Kalypto.Application.Packs;
using Kalypto.Web.Doors;
using Kalypto.Web.Models;
using Kalypto.Web.Wording;

namespace Kalypto.Web.Endpoints;

/// <summary>A closer look at one file of the pack.</summary>
internal static class CloserEndpoints
{
    private sealed record Wish(string Key, string Ask);

    public static void MapCloser(this RouteGroupBuilder project)
    {
        project.MapGet("/closer/{key}", async (Entry entry, string key, PlanPack plans, CancellationToken cancel) =>
            CloserModel.Of(entry.Workspace, await plans.PlanAsync(entry.Workspace, cancel), key) is { } model ? Results.Ok(model) : Results.NotFound());
        project.MapPost("/closer/try", async (Entry entry, Wish wish, LookCloser closer, CancellationToken cancel) =>
        {
            var (other, refusal) = await closer.TryAsync(entry.Workspace, wish.Key, wish.Ask, cancel);
            return refusal is { } why ? Problem.Conflict(PackWords.Say(why, wish.Ask))
                : other!.Row.Sha256 is null ? Problem.Conflict(other.Row.Failure ?? "It could not be drawn.")
                : Results.Ok(new
                {
                    picture = Links.File(entry.Author.Project, other.Key, other.Format),
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
