using Kalypto.Application.Editing;
using Kalypto.Application.Packs;
using Kalypto.Core.Deciding;
using Kalypto.Core.Designs;
using Kalypto.Core.Tagging;
using Kalypto.Store;
using Kalypto.Web.Doors;
using Kalypto.Web.Models;
using Kalypto.Web.Wording;

namespace Kalypto.Web.Endpoints;

/// <summary>What the bench asks for and does with the picked layers.</summary>
internal static class BenchEndpoints
{
    private const int MostCompletions = 7;

    private sealed record Typed(string? Line, bool InRecipe);

    private sealed record BoxWish(string Width, string Height, string? Place, double? X, double? Y);

    private sealed record Edit(
        int Design, int Screen, string? Since, int[]? Layers, Decision? Decision, string? Name, string? Tags, string? Without, BoxWish? Box, bool? Dismissed, bool? Apart)
        : BenchPlace(Design, Screen, Since, Layers)
    {
        /// <summary>The line of tags, typed or out of what a control sends; null for none.</summary>
        public string? Line => Box is { } box ? TagFields.FixedBox(box.Width, box.Height, box.Place, box.X is { } x && box.Y is { } y ? (x, y) : null)
            : Without is { } tag ? TagFields.TakeAway(tag) : Tags;
    }

    public static void MapBench(this RouteGroupBuilder project)
    {
        project.MapGet("/bench/{design:int}/{screen:int}", (Entry entry, int design, int screen, string? since, Bench bench, CancellationToken cancel) =>
            bench.AnswerAsync(entry.Workspace, new(design, screen, since, null), BenchSaid.Nothing, cancel));
        project.MapPost("/edit", (Entry entry, Edit edit, Bench bench, EditLayers layersOf, CancellationToken cancel) =>
            bench.EditAsync(entry, edit, layers => EditAsync(entry, layers, edit, layersOf, cancel), cancel));
        project.MapPost("/completions", (Entry entry, Typed typed) => Results.Ok(TagCompletion.Of(typed.Line ?? "",
            TagWord.All(entry.Workspace.Recipes.OwnKinds).Where(w => !typed.InRecipe || w.IsForRecipes), MostCompletions)));
        project.MapPost("/preview", async (Entry entry, Edit edit, TagEffect effects, CancellationToken cancel) =>
        {
            var layers = Bench.LayersOf(entry.Workspace, edit);
            var (effect, mistakes) = await effects.OfAsync(entry.Workspace, layers, edit.Tags ?? "", cancel);
            return Results.Ok(new { mistakes = mistakes.Select(m => m.Sentence), effect = effect is null ? "" : PackWords.Say(effect, layers.Count, layers.Count(l => entry.Workspace.MarkOf(l).Decision == Decision.Ship)) });
        });
        project.MapGet("/designs/{design:int}/layers/{ordinal:int}", async (Entry entry, int design, int ordinal, PlanPack plans, CancellationToken cancel) =>
            entry.Workspace.FindLayer(design, ordinal) is not null
                ? Results.Ok(LayerDetail.Of(entry.Workspace, await plans.PlanAsync(entry.Workspace, cancel), new(design, ordinal))) : Results.NotFound());
    }

    // One wish a request; what a page sends together it means as one.
    private static async Task<(StepDone, BenchSaid)> EditAsync(Entry entry, List<LayerRef> layers, Edit edit, EditLayers editLayers, CancellationToken cancel)
    {
        var visit = entry.Visit;
        var done = new StepDone(StepState.Nothing);
        if (edit.Name is { } name)
        {
            done = await editLayers.NameAsync(visit, layers[0], name, cancel);
        }
        if (edit.Decision is { } decision && done.Refusal() is null)
        {
            done = await editLayers.DecideAsync(visit, layers, decision, cancel);
        }
        IReadOnlyList<TagMistake> mistakes = [];
        if (edit.Line is { } tags && done.Refusal() is null)
        {
            (done, mistakes) = await editLayers.TagAsync(visit, layers, tags, cancel);
        }
        if (edit.Dismissed is { } dismissed && done.Refusal() is null)
        {
            done = await editLayers.DismissAsync(visit, layers, dismissed, cancel);
        }
        if (edit.Apart is { } apart && done.Refusal() is null)
        {
            done = await editLayers.StandApartAsync(visit, layers, apart, cancel);
        }
        return (done, new(Mistakes: [.. mistakes.Select(m => m.Sentence)]));
    }
}
