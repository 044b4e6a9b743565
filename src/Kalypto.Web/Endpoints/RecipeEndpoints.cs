using System.Text;
using Kalypto.Application.Desk;
using Kalypto.Application.Editing;
using Kalypto.Application.Opening;
using Kalypto.Application.Packs;
using Kalypto.Core.Naming;
using Kalypto.Core.Tagging;
using Kalypto.Store;
using Kalypto.Web.Doors;
using Kalypto.Web.Models;
using Kalypto.Web.Wording;

namespace Kalypto.Web.Endpoints;

/// <summary>What each kind means in a project.</summary>
internal static class RecipeEndpoints
{
    private sealed record FieldWish(string? Line, string Field, string? Value);

    public static void MapRecipes(this RouteGroupBuilder project)
    {
        project.MapGet("/recipes", async (Entry entry, PlanPack plans, CancellationToken cancel) => Results.Ok(RecipesModel.Of(entry.Workspace, await plans.PlanAsync(entry.Workspace, cancel))));
        project.MapPost("/recipes", async (Entry entry, RecipeWish wish, ChangeRecipes recipes, OpenProject open, PlanPack plans, CancellationToken cancel) =>
        {
            var change = await recipes.ReadAsync(entry.Workspace, wish, entry.Reader, cancel);
            return change.Refusal is { } why ? Problem.Conflict(RecipeWords.Say(why))
                : await (await recipes.MakeAsync(entry.Visit, change, cancel)).OrAsync(async () =>
                {
                    if (await open.LoadAsync(entry.Workspace.Row.Id, cancel) is not { } workspace)
                    {
                        return Results.NotFound();
                    }
                    var plan = await plans.PlanAsync(workspace, cancel);
                    plans.DrawAheadSoon(workspace, plan);
                    return Results.Ok(RecipesModel.Of(workspace, plan));
                });
        });
        // What the controls show of a line, and the line with what one of them says.
        project.MapPost("/recipes/fields", (FieldWish wish) => TagFields.Say(wish.Line ?? "", wish.Field, wish.Value) is var line
            ? Results.Ok(new { line, fields = TagFields.Of(line) }) : Results.BadRequest());
        project.MapPost("/recipes/preview", async (Entry entry, RecipeWish wish, ChangeRecipes recipes, DrawingDesk desk, PlanPack plans, CancellationToken cancel) =>
        {
            var change = await recipes.ReadAsync(entry.Workspace, wish, entry.Reader, cancel);
            if (change.Refusal is { } why)
            {
                return Results.Ok(RecipePreview.Refused(RecipeWords.Say(why)));
            }
            var (effect, after, changed) = await recipes.EffectAsync(entry.Workspace, change, cancel);
            var said = PackWords.Say(effect);
            if (wish.Kind is not { } kind || RecipePreview.ExampleOf(changed, after, kind) is not var (picture, isSuggested))
            {
                return Results.Ok(new RecipePreview(said, null, null, false, null, null, [], [], ""));
            }
            // The example is drawn before all else, so that its weights are soon real.
            var files = changed.Platforms.SelectMany(p => desk.Paths.FilesOf(picture, p, changed.Recipes)).ToList();
            var known = await desk.DrawnAsync(files.Select(f => f.Key.Hex), cancel);
            await plans.LookAtAsync(changed, files.Where(f => !known.ContainsKey(f.Key.Hex)), DrawingQueue.Wanted, cancel);
            var plan = after with { Drawn = known };
            var (row, state, layer) = changed.FindLayer(picture.Ref.Design, picture.Ref.Ordinal)!.Value;
            return Results.Ok(new RecipePreview(
                said, null, $"{picture.Name} on {picture.ScreenName}", isSuggested, Links.LayerPicture(changed.Row.Id, picture.Ref, $"{row.PictureKey}.r"),
                picture.Crop?.Why, isSuggested ? [] : HeldValues.Of(changed, state, layer), [.. files.Select(f => DetailFile.Of(changed.Row.Id, plan, f))], Words.Weight(plan.WeightOf(files))));
        });
    }

    public static void MapRecipeFiles(this IEndpointRouteBuilder app) => app.MapGet("/projects/{project:int}/recipes.json", (Entry entry) =>
        Results.File(Encoding.UTF8.GetBytes(RecipeBookJson.WriteAll(entry.Workspace.Recipes)), "application/json", $"{NameWords.Join(NameWords.Split(entry.Workspace.Row.Name), "-", 40)}-recipes.json"))
        .WithMetadata(new ProjectScope()).For(Need.Designer);
}
