using Kalypto.Application.Opening;
using Kalypto.Application.Packs;
using Kalypto.Core.Designs;
using Kalypto.Core.Formats;
using Kalypto.Core.Packing;
using Kalypto.Core.Planning;
using Kalypto.Core.Platforms;
using Kalypto.Core.Tagging;
using Kalypto.Web.Models;
using Kalypto.Web.Wording;

namespace Kalypto.Web.Tests;

public class PackPageTests
{
    private const string Inside = "<path id='bell' d='M0 0h9v9z'/><path id='moon' d='M1 1h5v9z'/><path id='dome' d='M2 0h3v4z'/>";

    private readonly Workspace workspace = Projects.Of(null, ["web", "apple"],
        ("Tonight", Inside, [("bell", "Ship icon to:icons"), ("moon", "Ship photo scale:1x,2x")]), ("Website", Inside, [("dome", "Ship picture webp -png scale:1x"), ("bell", "Leave")]));

    private PackModel Ask(PackQuery query, Func<string, long?>? drawn = null) => PackModel.Of(workspace, Projects.Plan(workspace, drawn), new("", []), query);

    private static string Names(PackModel model) => string.Join(' ', model.Files.Select(f => f.File.Path));

    [Theory]
    [InlineData(null, null, null, null, "web/dome.webp web/icons/bell.svg web/moon.avif web/moon.jpg web/moon.webp web/moon@2x.avif web/moon@2x.jpg web/moon@2x.webp")]
    [InlineData("icon", null, null, null, "web/icons/bell.svg")]
    [InlineData(null, "webp", null, null, "web/dome.webp web/moon.webp web/moon@2x.webp")]
    [InlineData(null, null, "MOON@", null, "web/moon@2x.avif web/moon@2x.jpg web/moon@2x.webp")]
    [InlineData(null, null, null, "web/icons", "web/icons/bell.svg")]
    [InlineData("photo", "avif", " moon ", "web", "web/moon.avif web/moon@2x.avif")]
    [InlineData("logo", null, null, null, "")]
    public void Files_are_found_by_what_they_are(string? kind, string? format, string? search, string? folder, string paths)
    {
        var model = Ask(new("web", Kind: kind, Format: format, Search: search, Folder: folder));
        Assert.Equal(paths, Names(model));
        Assert.Equal(model.Files.Count, model.Found);
        // What can be chosen, and the sums of the whole, do not hang on what is chosen.
        Assert.Equal((["icon", "photo", "picture"], ["avif", "jpeg", "svg", "webp"]), (model.Kinds, model.Formats), new Lists());
    }

    [Fact]
    public void One_screen_can_be_seen_and_built_by_itself()
    {
        var model = Ask(new(Design: 2, Screen: 0));
        Assert.Equal("web/dome.webp", Names(model));
        Assert.Equal("Website", model.Part);
        Assert.Equal("Apple, Tonight", Ask(new("apple", 1, 0)).Part);
        // What is chosen by kind is built by itself too.
        Assert.Equal("icon", Ask(new(Kind: "icon")).Part);
        // A folder above holds what is below, and the tree is that of what is meant.
        Assert.Equal(["", "web"], model.Folders.Select(f => f.Name));
    }

    [Fact]
    public void The_heaviest_come_first_and_only_so_many_are_shown_with_the_sums_of_all()
    {
        var model = Ask(new("web", By: "weight", Most: 2), path => path.EndsWith(".jpg", StringComparison.Ordinal) ? 9_000 : path.EndsWith(".svg", StringComparison.Ordinal) ? 20_000 : null);
        Assert.Equal("web/icons/bell.svg", model.Files[0].File.Path);
        Assert.Equal((2, 8), (model.Files.Count, model.Found));
        Assert.False(model.Files[0].File.IsEstimate);
        Assert.StartsWith("~", model.Weight, StringComparison.Ordinal);
        var kinds = model.Sums.Single(s => s.Name == "kind").Rows;
        Assert.Equal(["icon", "photo", "picture"], kinds.Select(r => r.Name));
        Assert.Equal(1, kinds.Sum(r => r.Share), 9);
        Assert.Equal("20 kB", kinds[0].Weight);
    }

    [Fact]
    public void Picked_layers_are_built_with_their_parts_and_nothing_else()
    {
        var grouped = Projects.Of(null, ["web"], ("Tonight", "<g id='row'><path id='one' d='M0 0h9v9z'/><path id='two' d='M0 0h5v5z'/></g><path id='moon' d='M0 0h3v3z'/>",
            [("row", "Ship icon parts"), ("moon", "Ship icon")]));
        var row = grouped.States[0].Layers.First(l => l.Name == "row").Ordinal;
        var ask = new BuildAsk(Layers: [new LayerRef(1, row)]);
        Assert.Equal(["web/row/one.svg", "web/row/two.svg"], Projects.Plan(grouped).Pack.Files.Where(ask.Holds(grouped)).Select(f => f.Path));
        Assert.Equal("1 picked layer", ask.Words(grouped));
        Assert.Equal("", new BuildAsk().Words(grouped));
    }

    [Fact]
    public void A_closer_look_offers_the_other_files_and_what_each_screen_takes()
    {
        var plan = Projects.Plan(workspace, _ => 1_000);
        var file = plan.Pack.Files.First(f => f.Path == "web/moon.jpg");
        var model = CloserModel.Of(workspace, plan, file.Key.Hex)!;
        Assert.Contains("web/moon.jpg", model.Paths);
        Assert.Equal("jpeg", model.Ask);
        // Of the same format: 1x takes its own, 2x its own, 3x the largest there is.
        Assert.Equal([("moon.jpg", false), ("moon@2x.jpg", false), ("moon@2x.jpg", true)], model.Devices.Select(d => (d.File!.Name, d.IsEnlarged)));
        Assert.Equal(model.Others.Count, model.Others.Select(o => o.Key).Distinct().Count());
        Assert.Null(CloserModel.Of(workspace, plan, "gone"));
        var icon = CloserModel.Of(workspace, plan, plan.Pack.Files.First(f => f.Path == "web/icons/bell.svg").Key.Hex)!;
        Assert.All(icon.Devices, d => Assert.True(d.IsSharp && !d.IsEnlarged));
    }

    [Fact]
    public void A_changed_recipe_is_told_in_layers_files_and_weight()
    {
        string Effect(RecipeBook book) => PackWords.Say(PackEffect.Of(Projects.Plan(workspace, _ => 1_000), Projects.Plan(workspace.With(book), _ => 1_000)));
        Assert.Equal("the same files", Effect(RecipeBook.Usual));
        var icon = RecipeBook.Usual.For("icon");
        Assert.Equal("1 layer: 3 files more, heavier by 3 kB", Effect(RecipeBook.Usual.With(icon.With("web", Tags.Parse("svg png")))));
        Assert.Equal("1 layer: 1 file more, 1 fewer", Effect(RecipeBook.Usual.With(icon.With("web", Tags.Parse("pdf")))));
        // A colour under it changes what is in the files, not which there are.
        Assert.Equal("1 layer: 2 files made otherwise", Effect(RecipeBook.Usual.With(icon.With(null, Tags.Parse("svg crop:shape over:#173a45")))));
        Assert.StartsWith("3 layers: ", Effect(RecipeBook.Usual with { All = Tags.Parse("suffix:dark") }), StringComparison.Ordinal);
    }

    [Fact]
    public void The_example_of_a_kind_is_a_layer_that_ships_as_one_else_one_that_would()
    {
        var plan = Projects.Plan(workspace);
        Assert.Equal(("moon", false), RecipePreview.ExampleOf(workspace, plan, "photo") is var (picture, suggested) ? (picture.Name, suggested) : default);
        Assert.True(RecipePreview.ExampleOf(workspace, plan, "screen")!.Value.IsSuggested);
        Assert.Null(RecipePreview.ExampleOf(workspace, plan, "badge"));
    }

    [Fact]
    public void The_recipes_page_counts_what_each_kind_makes()
    {
        var book = RecipeBook.Usual.With(new("badge", Tags.Parse("webp"), Recipe.Usual("picture").For.Clear()));
        var model = RecipesModel.Of(workspace.With(book), Projects.Plan(workspace.With(book), _ => 500));
        var (photo, badge) = (model.Kinds.Single(k => k.Kind == "photo"), model.Kinds.Single(k => k.Kind == "badge"));
        Assert.Equal((1, 8, "4 kB", false), (photo.Layers, photo.Files, photo.Weight, photo.IsChanged));
        Assert.Equal((0, true, true), (badge.Layers, badge.IsOwn, badge.IsChanged));
        Assert.Equal("webp", badge.Lines[0].Words);
        Assert.Equal([true, true, true, false, false, false, false, false], photo.Lines.Select(l => l.IsPacked));
    }

    /// <summary>Compares lists by what is in them.</summary>
    private sealed class Lists : IEqualityComparer<(IReadOnlyList<string>, IReadOnlyList<string>)>
    {
        public bool Equals((IReadOnlyList<string>, IReadOnlyList<string>) x, (IReadOnlyList<string>, IReadOnlyList<string>) y) => x.Item1.SequenceEqual(y.Item1) && x.Item2.SequenceEqual(y.Item2);

        public int GetHashCode((IReadOnlyList<string>, IReadOnlyList<string>) obj) => obj.Item1.Count;
    }
}
