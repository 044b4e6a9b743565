using Kalypto.Application.Editing;
using Kalypto.Application.Packs;
using Kalypto.Core.Deciding;
using Kalypto.Core.Designs;
using Kalypto.Core.Packing;
using Kalypto.Core.Planning;
using Kalypto.Core.Tagging;
using Kalypto.Store;

namespace Kalypto.Application.Tests;

/// <summary>Wishes about recipes: what each comes to, what it would change, and why some are refused.</summary>
public class RecipeChangeTests
{
    private const string Screen = "<rect id='bell' width='24' height='24'/><rect id='sky' y='40' width='300' height='200' rx='2'/>";
    private readonly CancellationToken cancel = TestContext.Current.CancellationToken;

    [Fact]
    public async Task A_wish_that_cannot_be_met_says_why()
    {
        await using var kalypto = await Running.StartAsync(new(), draws: false);
        var workspace = await kalypto.OpenAsync(await kalypto.ProjectAsync(Screen));
        foreach (var (wish, why) in new (RecipeWish, RecipeRefusal.Why)[]
        {
            (new("words", "icon", Tags: "svgg"), RecipeRefusal.Why.NotTags),
            (new("words", "icon", Tags: "photo"), RecipeRefusal.Why.OfLayersOnly),
            (new("words", "icon", "atari", "png"), RecipeRefusal.Why.NoSuchPlatform),
            (new("words", "badge", Tags: "svg"), RecipeRefusal.Why.NoSuchKind),
            (new("add", "icon"), RecipeRefusal.Why.KindExists),
            (new("add", "svg"), RecipeRefusal.Why.KindName),
            (new("copy", "icon", From: 999), RecipeRefusal.Why.NoSuchProject),
            (new("budget", Weight: "heavy"), RecipeRefusal.Why.NoWeight),
            (new("credit", Copyright: new string('a', 1000)), RecipeRefusal.Why.CreditLine),
            (new("folders", Suffix: "a/b"), RecipeRefusal.Why.NoSuffix),
            (new("melt"), RecipeRefusal.Why.NoSuchWish),
        })
        {
            Assert.Equal(why, (await kalypto.Get<ChangeRecipes>().ReadAsync(workspace, wish, null, cancel)).Refusal?.Reason);
        }
    }

    [Fact]
    public async Task A_change_says_first_what_it_changes_and_does_just_that_when_it_is_made()
    {
        await using var kalypto = await Running.StartAsync(new(), draws: false);
        var project = await kalypto.ProjectAsync(Screen, ("bell", "icon"), ("sky", "photo -avif -webp"));
        var recipes = kalypto.Get<ChangeRecipes>();
        async Task<PackEffect> EffectAsync(RecipeWish wish, bool make = false)
        {
            var workspace = await kalypto.OpenAsync(project);
            var change = await recipes.ReadAsync(workspace, wish, null, cancel);
            Assert.Null(change.Refusal);
            var (effect, after, _) = await recipes.EffectAsync(workspace, change, cancel);
            if (make)
            {
                await recipes.MakeAsync(new(workspace, Running.Ada), change, cancel);
                var plan = await kalypto.Get<PlanPack>().PlanAsync(await kalypto.OpenAsync(project), cancel);
                Assert.Equal(after.Pack.Files.Select(f => (f.Path, f.Key)), plan.Pack.Files.Select(f => (f.Path, f.Key)));
            }
            return effect;
        }
        Assert.Equal(0, (await EffectAsync(new("words", "logo", Tags: "pdf"))).Layers);
        Assert.True(await EffectAsync(new("words", "icon", Tags: "svg png scale:1x,2x")) is { Layers: 1, More: 2, Fewer: 0, Otherwise: 0, Bytes: > 0 });
        Assert.True(await EffectAsync(new("words", "photo", "web", "jpeg:20"), make: true) is { Layers: 1, More: 0, Fewer: 0, Otherwise: 3, Bytes: < 0, IsEstimate: true });
        Assert.Equal(2, (await EffectAsync(new("all", Tags: "bleed:4 credit"), make: true)).Layers);
        Assert.True((await EffectAsync(new("credit", Copyright: "© 2026 Larkrise"), make: true)).Otherwise > 0);
        Assert.Equal(0, (await EffectAsync(new("budget", "photo", Weight: "1.5 MB"), make: true)).Layers);
        var book = (await kalypto.OpenAsync(project)).Recipes;
        Assert.Equal((1_500_000, "© 2026 Larkrise", "bleed:4 credit"), (book.KindBudgets["photo"], book.Credit.Copyright, book.All.ToString()));
        for (var i = 0; i < 4; i++)
        {
            await kalypto.Get<EditStore>().UndoAsync(Running.By(project), cancel);
        }
        Assert.Equal(RecipeBook.Usual, (await kalypto.OpenAsync(project)).Recipes);
    }

    [Fact]
    public async Task Kinds_go_between_projects_and_files_but_never_from_under_the_layers_that_are_of_them()
    {
        await using var kalypto = await Running.StartAsync(new(), draws: false);
        var (project, other) = (await kalypto.ProjectAsync(Screen), await kalypto.ProjectAsync(Screen));
        var recipes = kalypto.Get<ChangeRecipes>();
        async Task<ChangeRecipes.Change> WishAsync(int at, RecipeWish wish)
        {
            var workspace = await kalypto.OpenAsync(at);
            var change = await recipes.ReadAsync(workspace, wish, null, cancel);
            if (change.Refusal is null)
            {
                await recipes.MakeAsync(new(workspace, Running.Ada), change, cancel);
            }
            return change;
        }
        await WishAsync(project, new("add", " Badge "));
        await WishAsync(project, new("words", "badge", "web", "webp:auto scale:2x"));
        await kalypto.SayAsync(project, Decision.Ship, ("bell", ""));
        var workspace = await kalypto.OpenAsync(project);
        Assert.Empty((await kalypto.Get<EditLayers>().TagAsync(new(workspace, Running.Ada), [new(workspace.States[0].Id, 1)], "badge", cancel)).Mistakes);
        Assert.Equal(new(RecipeRefusal.Why.KindIsUsed, "badge", 1), (await WishAsync(project, new("remove", "badge"))).Refusal);
        Assert.Equal(new(RecipeRefusal.Why.KindWouldGo, "badge"), (await WishAsync(project, new("copy", From: other))).Refusal);
        Assert.Equal(new(RecipeRefusal.Why.NotThere, "badge", From: "Larkrise"), (await WishAsync(project, new("copy", "badge", From: other))).Refusal);

        Assert.Equal("Recipe for badge of Larkrise", (await WishAsync(other, new("copy", "badge", From: project))).Label);
        var file = RecipeBookJson.WriteAll((await kalypto.OpenAsync(project)).Recipes);
        Assert.Equal("webp:auto scale:2x", (await kalypto.OpenAsync(other)).Recipes.For("badge").For["web"].ToString());
        Assert.Null((await WishAsync(other, new("remove", "badge"))).Refusal);
        Assert.Null((await WishAsync(other, new("import", Json: file))).Refusal);
        Assert.Equal(RecipeBookJson.WriteAll((await kalypto.OpenAsync(project)).Recipes), RecipeBookJson.WriteAll((await kalypto.OpenAsync(other)).Recipes));
        Assert.NotNull((await WishAsync(other, new("import", Json: "{ \"kinds\": 7"))).Refusal);
    }
}
