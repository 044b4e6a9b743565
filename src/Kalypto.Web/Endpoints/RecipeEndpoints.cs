using System.Text;
using Kalypto.Core.Naming;
using Kalypto.Core.Tagging;
using Kalypto.Store;
using Kalypto.Web.Desk;
using Kalypto.Web.Models;
using Kalypto.Web.UseCases;

namespace Kalypto.Web.Endpoints;

/// <summary>What each kind means in a project.</summary>
internal static class RecipeEndpoints
{
    public static void MapRecipes(this IEndpointRouteBuilder app)
    {
        var api = app.Edits("/api/projects/{project:int}");
        api.MapGet("/recipes", async (int project, OpenProject open, CancellationToken cancel) => await open.LoadAsync(project, cancel) is { } workspace
            ? Results.Ok(RecipesModel.Of(workspace, await open.PlanAsync(workspace, cancel))) : Results.NotFound());
        api.MapPost("/recipes", async (int project, RecipeWish wish, HttpContext http, OpenProject open, ChangeRecipes recipes, Notices notices, CancellationToken cancel) =>
        {
            if (await open.LoadAsync(project, cancel) is not { } workspace)
            {
                return Results.NotFound();
            }
            var change = await recipes.ReadAsync(workspace, wish, cancel);
            if (change.Refusal is { } why)
            {
                return Results.Conflict(new { message = why });
            }
            await recipes.MakeAsync(workspace, Bench.Who(http), change, cancel);
            notices.Give(project);
            return await AnswerAsync(open, project, cancel);
        });
        api.MapPost("/recipes/undo", async (int project, OpenProject open, EditStore edits, Notices notices, CancellationToken cancel) =>
        {
            await edits.UndoAsync(project, cancel);
            notices.Give(project);
            return await AnswerAsync(open, project, cancel);
        });
        api.MapPost("/recipes/preview", async (int project, RecipeWish wish, OpenProject open, ChangeRecipes recipes, DrawingDesk desk, CancellationToken cancel) =>
        {
            if (await open.LoadAsync(project, cancel) is not { } workspace)
            {
                return Results.NotFound();
            }
            var change = await recipes.ReadAsync(workspace, wish, cancel);
            if (change.Refusal is { } why)
            {
                return Results.Ok(RecipePreview.Refused(why));
            }
            var (effect, after, changed) = await recipes.EffectAsync(workspace, change, cancel);
            if (wish.Kind is not { } kind || RecipePreview.ExampleOf(changed, after, kind) is not var (picture, isSuggested))
            {
                return Results.Ok(new RecipePreview(effect, null, null, false, null, null, [], [], ""));
            }
            // The example is drawn before all else, so that its weights are soon real.
            var files = changed.Platforms.SelectMany(p => desk.Paths.FilesOf(picture, p, changed.Recipes)).ToList();
            var jobs = new Jobs(changed, desk);
            var known = await desk.DrawnAsync(files.Select(f => f.Key.Hex), cancel);
            if (picture.CropIsGuess)
            {
                await desk.QueueLooksAsync([jobs.Look(picture)], DrawingQueue.Wanted, cancel);
            }
            else
            {
                await desk.QueueAsync([.. files.Where(f => !known.ContainsKey(f.Key.Hex)).Select(jobs.File)], DrawingQueue.Looked, cancel);
            }
            var plan = after with { Drawn = known };
            var (row, state, layer) = changed.FindLayer(picture.Ref.Design, picture.Ref.Ordinal)!.Value;
            return Results.Ok(new RecipePreview(
                effect, null, $"{picture.Name} on {picture.ScreenName}", isSuggested, $"/pictures/{project}/{picture.Ref.Design}/layer/{picture.Ref.Ordinal}.png?k={row.DraftId}.r",
                picture.Crop?.Why, isSuggested ? [] : HeldValues.Of(changed, state, layer), [.. files.Select(f => DetailFile.Of(plan, f))], Words.Weight(plan.WeightOf(files))));
        });
        app.MapGet("/projects/{project:int}/recipes.json", async (int project, OpenProject open, CancellationToken cancel) => await open.LoadAsync(project, cancel) is { } workspace
            ? Results.File(Encoding.UTF8.GetBytes(RecipeBookJson.WriteAll(workspace.Recipes)), "application/json", $"{NameWords.Join(NameWords.Split(workspace.Row.Name), "-", 40)}-recipes.json")
            : Results.NotFound());
    }

    private static async Task<IResult> AnswerAsync(OpenProject open, int project, CancellationToken cancel)
    {
        var workspace = (await open.LoadAsync(project, cancel))!;
        var plan = await open.PlanAsync(workspace, cancel);
        open.DrawAheadSoon(workspace, plan);
        return Results.Ok(RecipesModel.Of(workspace, plan));
    }
}
