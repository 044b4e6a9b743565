using CsCheck;
using Kalypto.Core.Deciding;
using Kalypto.Core.Designs;
using Kalypto.Core.Formats;
using Kalypto.Core.Planning;
using Kalypto.Core.Platforms;
using Kalypto.Core.Rendering;
using Kalypto.Core.Tagging;

namespace Kalypto.Core.Tests.Tagging;

public class RecipeTests
{
    private static readonly Box Shape = new(10, 10, 24, 24);

    private static DesignState Design(string layer, string tags, RecipeBook? book = null) =>
        Svg.Design(layer, Shape, (Svg.Read(layer).Layers[^1].Name, new Mark(Decision.Ship, null, Tags.Parse(tags)))) with { Recipes = book ?? RecipeBook.Usual };

    private static Pack Plan(DesignState design, params string[] platforms) => new PackPlanner(new("engine"), _ => new Look(Shape, null))
        .Plan([design], [.. AllPlatforms.List.Where(p => platforms.Contains(p.Id))]);

    private static string Paths(DesignState design, params string[] platforms) => string.Join(' ', Plan(design, platforms).Files.Select(f => f.Path));

    [Fact]
    public void The_nearest_word_holds_and_says_whence_it_comes()
    {
        var book = RecipeBook.Usual with { All = Tags.Parse("credit bleed:1") };
        book = book.With(book.For("icon").With(null, Tags.Parse("svg crop:28x28 bleed:2")).With("web", Tags.Parse("png bleed:3")));
        var design = Design("<path id='bell [bleed:4 to:drawn]'/>", "icon to:own", book);
        var layer = design.Layers[^1];
        Assert.Equal("bell", layer.Name);
        var (making, holding) = (design.MakingOf(layer, "web"), design.HoldingOf(layer, "web"));
        Assert.Equal(("own", Origin.Tag), (making.FolderPath, holding.Folder));
        Assert.Equal((4.0, Origin.Drawing), (making.Bleed, holding.Bleed));
        Assert.Equal(("png", Origin.PlatformRecipe), (string.Join(' ', making.Formats), holding.Formats));
        Assert.Equal(("28x28", Origin.KindRecipe), (making.Crop.ToString(), holding.Crop));
        Assert.Equal((true, Origin.Project), (making.Credit, holding.Credit));
        Assert.Equal(Origin.Usual, holding.Ground);
        Assert.Equal("svg", string.Join(' ', design.MakingOf(layer, "apple").Formats));
    }

    [Theory]
    [InlineData("icon", "android/res/drawable/bell.xml apple/Assets.xcassets/bell.imageset/bell.svg web/bell.svg")]
    [InlineData("icon png -svg", "android/res/drawable/bell.xml apple/Assets.xcassets/bell.imageset/bell.png apple/Assets.xcassets/bell.imageset/bell@2x.png apple/Assets.xcassets/bell.imageset/bell@3x.png web/bell.png web/bell@2x.png web/bell@3x.png")]
    [InlineData("photo scale:2x wide:480", "android/res/drawable-nodpi/bell_480w.webp android/res/drawable-xhdpi/bell.webp apple/Assets.xcassets/bell-480w.imageset/bell-480w.jpg apple/Assets.xcassets/bell.imageset/bell@2x.jpg web/bell-480w.avif web/bell-480w.jpg web/bell-480w.webp web/bell@2x.avif web/bell@2x.jpg web/bell@2x.webp")]
    [InlineData("picture png png8 scale:1x suffix:dark", "android/res/drawable-mdpi/bell_dark.webp apple/Assets.xcassets/bell-dark.imageset/bell-dark.png web/bell-dark-8bit.png web/bell-dark.png")]
    [InlineData("tall:64 picture", "android/res/drawable-nodpi/bell_64h.webp apple/Assets.xcassets/bell-64h.imageset/bell-64h.png web/bell-64h.png")]
    public void What_a_layer_says_adds_to_the_recipe_and_takes_away(string tags, string paths) =>
        Assert.Equal(paths, Paths(Design("<path id='bell' d='M0 0h9v9z'/>", tags), "web", "apple", "android"));

    [Fact]
    public void Own_kinds_have_recipes_of_their_own()
    {
        var book = RecipeBook.Usual.With(new("badge", Tags.Parse("webp:60 scale:2x to:badges"), Recipe.Usual("picture").For.Clear()));
        Assert.Equal("web/badges/bell@2x.webp", Paths(Design("<path id='bell'/>", "badge", book), "web"));
        Assert.Equal(["badge"], book.OwnKinds);
        Assert.Empty(book.Without("badge").OwnKinds);
        // A recipe that is made what it was is none of the project's own.
        Assert.Empty(book.Without("badge").With(Recipe.Usual("icon")).Own);
    }

    [Fact]
    public void Tags_in_the_drawing_hold_and_what_is_not_understood_is_told()
    {
        Assert.Equal("web/nav/bell.svg", Paths(Design("<path id='bell [icon svg to:nav]'/>", ""), "web"));
        Assert.Equal("web/nav/bell.png", Paths(Design("<path id='bell [icon to:nav]'/>", "crop:ink -svg png scale:1x"), "web"));
        var finding = Assert.Single(Plan(Design("<path id='bell [icno]'/>", "picture"), "web").Findings, f => f.Check == "tags-in-the-drawing");
        Assert.Contains("Did you mean “icon”?", finding.Sentence, StringComparison.Ordinal);
    }

    [Theory]
    [InlineData("<path id='bell [icon png]'/>", "bell")]
    [InlineData("<path id='bell [icon to:nav]'/><path id='moon [-png]'/><path id='sun [png icno]'/><path id='day'/>", "")]
    [InlineData("<g id='card [webp:80@2x]'><path id='bell [badge svg]'/></g><g id='Guides [png]'><path/></g>", "card bell")]
    public void A_format_in_the_brackets_of_the_drawing_decides_that_a_layer_ships(string inside, string ships)
    {
        var book = RecipeBook.Usual.With(new("badge", Tags.Empty, Recipe.Usual("picture").For.Clear()));
        var drawing = Svg.Read(inside);
        Assert.Equal(ships, string.Join(' ', DrawnDecisions.ShippedBy(drawing, book).Select(o => drawing.Layers[o].Name)));
        var asked = book with { DrawingDecides = false };
        Assert.Empty(DrawnDecisions.ShippedBy(drawing, asked));
        Assert.Equal(asked, RecipeBookJson.Read(RecipeBookJson.Write(asked)));
    }

    [Theory]
    [InlineData("photo [2]", "photo [2]", null)]
    [InlineData("a[b", "a[b", null)]
    [InlineData("moon [seen at night]", "moon [seen at night]", null)]
    [InlineData("moon [badge]", "moon", "badge")]
    [InlineData("moon [badge to:sky]", "moon", "badge to:sky")]
    [InlineData("moon [icno large]", "moon", "icno large")]
    [InlineData("moon [ photo  -webp ]", "moon", "photo  -webp")]
    public void A_bracket_is_part_of_the_name_unless_tags_may_be_meant(string drawn, string name, string? tags)
    {
        var layer = Svg.Read($"<path id='{drawn}'/>").Layers[^1];
        Assert.Equal((name, tags), (layer.Name, layer.TagText));
    }

    [Fact]
    public void Credit_is_written_for_a_layer_a_kind_or_all_and_changes_the_files()
    {
        var plain = Plan(Design("<path id='bell'/>", "picture scale:1x"), "web").Files[0];
        Assert.True(plain.Credit.IsEmpty);
        var lines = new CreditLines("© Larkrise", "Ann", "larkrise.example");
        foreach (var book in new[]
        {
            RecipeBook.Usual with { Credit = lines, All = Tags.Parse("credit") },
            (RecipeBook.Usual with { Credit = lines }).With(Recipe.Usual("picture").With(null, Tags.Parse("png credit"))),
        })
        {
            var file = Plan(Design("<path id='bell'/>", "picture scale:1x", book), "web").Files[0];
            Assert.Equal(lines, file.Credit);
            Assert.NotEqual(plain.Key, file.Key);
            Assert.Equal(plain.Key, Plan(Design("<path id='bell'/>", "picture scale:1x -credit", book), "web").Files[0].Key);
        }
        Assert.NotEqual(plain.Key, Plan(Design("<path id='bell'/>", "picture scale:1x credit", RecipeBook.Usual with { Credit = lines }), "web").Files[0].Key);
    }

    [Fact]
    public void A_budget_is_told_when_the_weight_is_over_it()
    {
        var design = Design("<path id='bell'/>", "picture");
        Assert.DoesNotContain(Plan(design, "web").Findings, f => f.Check == "weight-over-budget");
        var told = Plan(design with { Recipes = RecipeBook.Usual with { Budget = 300 } }, "web").Findings.Where(f => f.Check == "weight-over-budget").ToList();
        Assert.Contains("over the project's budget of 300 B", Assert.Single(told).Sentence, StringComparison.Ordinal);
        var kinds = RecipeBook.Usual with { KindBudgets = RecipeBook.Usual.KindBudgets.Add("picture", 200).Add("icon", 1) };
        Assert.Contains("of the kind picture", Assert.Single(Plan(design with { Recipes = kinds }, "web").Findings, f => f.Check == "weight-over-budget").Sentence, StringComparison.Ordinal);
    }

    [Fact]
    public void What_lies_beneath_is_part_of_the_picture_and_what_lies_above_is_not()
    {
        var design = Design("<rect id='sky' width='99' height='99'/><g id='row'><path id='star' d='M1 1h9v9z'/><path id='over' d='M0 0h1'/></g><path id='above' d='M2 2h2'/>", "");
        var layer = design.Layers.First(l => l.Name == "star");
        var isolation = design.Measured.IsolateOnScreen(layer);
        Assert.Equal(["over", "above"], isolation.Without.Select(o => design.Layers[o].Name));
        Assert.Contains("<rect", isolation.Document(Shape, 24, 24), StringComparison.Ordinal);
        Assert.DoesNotContain("<rect", design.Isolate(layer).Document(Shape, 24, 24), StringComparison.Ordinal);
        var ships = design with { Marks = new Dictionary<int, Mark> { [layer.Ordinal] = new(Decision.Ship, null, Tags.Parse("picture over:screen scale:1x")) } };
        Assert.Equal(isolation.Key, Plan(ships, "web").Files.Single().Picture.KeyWithGround);
    }

    private static readonly Gen<Tags> SomeTags = Gen.Int[0, 6].Array[0, 4].Select(picks => Tags.Parse(string.Join(' ',
        picks.Select(p => new[] { "svg", "webp:80", "scale:2x", "crop:24x24@top", "to:a/b", "over:#112233", "credit" }[p])), []));

    [Fact]
    public void Recipes_read_back_as_they_were_written() => Gen.Select(SomeTags, SomeTags, SomeTags, Gen.Long[1, 1_000_000], Gen.Bool).Sample((all, kind, platform, budget, byScale) =>
    {
        var book = RecipeBook.Usual with
        {
            All = all,
            Credit = new("© \"Larkrise\" & Söhne", "", "https://larkrise.example/?a=b"),
            Budget = budget,
            KindBudgets = RecipeBook.Usual.KindBudgets.Add("icon", budget + 1),
            Layout = new(byScale, !byScale, "_{}"),
        };
        book = book.With(Recipe.Usual("icon").With(null, kind).With("web", platform)).With(new("badge", kind, Recipe.Usual("badge").For.Clear()));
        Assert.Equal(book, RecipeBookJson.Read(RecipeBookJson.Write(book)));
        Assert.Equal(book, RecipeBookJson.Read(RecipeBookJson.WriteAll(book)));
    });

    [Theory]
    [InlineData("{", "not JSON")]
    [InlineData("[]", "does not hold recipes")]
    [InlineData("{\"kinds\":{}}", "kalypto-recipes")]
    [InlineData("{\"kalypto-recipes\":1,\"kinds\":{\"icon\":{\"all\":\"sgv\"}}}", "“sgv” is not a tag. Did you mean “svg”?")]
    [InlineData("{\"kalypto-recipes\":1,\"kinds\":{\"png\":{}}}", "“png” cannot be a kind")]
    [InlineData("{\"kalypto-recipes\":1,\"kinds\":{\"icon\":{\"platforms\":{\"web\":7}}}}", "another sort")]
    [InlineData("{\"kalypto-recipes\":\"1\"}", "another sort")]
    [InlineData("{\"kalypto-recipes\":1,\"budget\":-4}", "makes no sense")]
    public void A_file_that_is_no_recipes_is_refused_with_the_reason(string text, string why) =>
        Assert.Contains(why, Assert.Throws<FormatException>(() => RecipeBookJson.Read(text)).Message, StringComparison.Ordinal);
}
