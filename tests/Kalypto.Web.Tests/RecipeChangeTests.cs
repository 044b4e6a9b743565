using Kalypto.Core.Deciding;
using Kalypto.Core.Tagging;
using Kalypto.Store;
using Kalypto.Web.UseCases;

namespace Kalypto.Web.Tests;

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
        foreach (var (wish, why) in new (RecipeWish, string)[]
        {
            (new("words", "icon", Tags: "svgg"), "Did you mean “svg”?"),
            (new("words", "icon", Tags: "photo"), "said of layers, not in a recipe"),
            (new("words", "icon", "atari", "png"), "There is no platform “atari”"),
            (new("words", "badge", Tags: "svg"), "There is no kind “badge” any more"),
            (new("add", "icon"), "There is a kind “icon” already"),
            (new("add", "svg"), "“svg” cannot be a kind"),
            (new("copy", "icon", From: 999), "not there any more"),
            (new("budget", Weight: "heavy"), "“heavy” is no weight"),
            (new("credit", Copyright: new string('a', 1000)), "A credit line has at most"),
            (new("folders", Suffix: "a/b"), "The suffix holds {}"),
            (new("melt"), "cannot be done with recipes"),
        })
        {
            Assert.Contains(why, (await kalypto.Get<ChangeRecipes>().ReadAsync(workspace, wish, cancel)).Refusal, StringComparison.Ordinal);
        }
    }

    [Fact]
    public async Task A_change_says_first_what_it_changes_and_does_just_that_when_it_is_made()
    {
        await using var kalypto = await Running.StartAsync(new(), draws: false);
        var project = await kalypto.ProjectAsync(Screen, ("bell", "icon"), ("sky", "photo -avif -webp"));
        var recipes = kalypto.Get<ChangeRecipes>();
        async Task<string> EffectAsync(RecipeWish wish, bool make = false)
        {
            var workspace = await kalypto.OpenAsync(project);
            var change = await recipes.ReadAsync(workspace, wish, cancel);
            Assert.Null(change.Refusal);
            var (effect, after, _) = await recipes.EffectAsync(workspace, change, cancel);
            if (make)
            {
                await recipes.MakeAsync(workspace, "Ada", change, cancel);
                var plan = await kalypto.Get<OpenProject>().PlanAsync(await kalypto.OpenAsync(project), cancel);
                Assert.Equal(after.Pack.Files.Select(f => (f.Path, f.Key)), plan.Pack.Files.Select(f => (f.Path, f.Key)));
            }
            return effect;
        }
        Assert.Equal("the same files", await EffectAsync(new("words", "logo", Tags: "pdf")));
        Assert.StartsWith("1 layer: 2 files more, heavier by", await EffectAsync(new("words", "icon", Tags: "svg png scale:1x,2x")), StringComparison.Ordinal);
        Assert.StartsWith("1 layer: 3 files made otherwise, lighter by", await EffectAsync(new("words", "photo", "web", "jpeg:20"), make: true), StringComparison.Ordinal);
        Assert.StartsWith("2 layers: ", await EffectAsync(new("all", Tags: "bleed:4 credit"), make: true), StringComparison.Ordinal);
        Assert.Contains("made otherwise", await EffectAsync(new("credit", Copyright: "© 2026 Larkrise"), make: true), StringComparison.Ordinal);
        Assert.Equal("the same files", await EffectAsync(new("budget", "photo", Weight: "1.5 MB"), make: true));
        var book = (await kalypto.OpenAsync(project)).Recipes;
        Assert.Equal((1_500_000, "© 2026 Larkrise", "bleed:4 credit"), (book.KindBudgets["photo"], book.Credit.Copyright, book.All.ToString()));
        for (var i = 0; i < 4; i++)
        {
            await kalypto.Get<EditStore>().UndoAsync(project, cancel);
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
            var change = await recipes.ReadAsync(workspace, wish, cancel);
            if (change.Refusal is null)
            {
                await recipes.MakeAsync(workspace, "Ada", change, cancel);
            }
            return change;
        }
        await WishAsync(project, new("add", " Badge "));
        await WishAsync(project, new("words", "badge", "web", "webp:auto scale:2x"));
        await kalypto.SayAsync(project, Decision.Ship, ("bell", ""));
        var workspace = await kalypto.OpenAsync(project);
        Assert.Empty(await kalypto.Get<EditLayers>().TagAsync(workspace, "Ada", [new(workspace.States[0].Id, 1)], "badge", cancel));
        Assert.Equal("1 layer is of the kind “badge”. Give it another kind first.", (await WishAsync(project, new("remove", "badge"))).Refusal);
        Assert.Contains("know no kind “badge”", (await WishAsync(project, new("copy", From: other))).Refusal, StringComparison.Ordinal);
        Assert.Contains("knows no kind “badge”", (await WishAsync(project, new("copy", "badge", From: other))).Refusal, StringComparison.Ordinal);

        Assert.Equal("Recipe for badge of Larkrise", (await WishAsync(other, new("copy", "badge", From: project))).Label);
        var file = RecipeBookJson.WriteAll((await kalypto.OpenAsync(project)).Recipes);
        Assert.Equal("webp:auto scale:2x", (await kalypto.OpenAsync(other)).Recipes.For("badge").For["web"].ToString());
        Assert.Null((await WishAsync(other, new("remove", "badge"))).Refusal);
        Assert.Null((await WishAsync(other, new("import", Json: file))).Refusal);
        Assert.Equal(RecipeBookJson.WriteAll((await kalypto.OpenAsync(project)).Recipes), RecipeBookJson.WriteAll((await kalypto.OpenAsync(other)).Recipes));
        Assert.NotNull((await WishAsync(other, new("import", Json: "{ \"kinds\": 7"))).Refusal);
    }
}
