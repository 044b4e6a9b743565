using System.Text.Json;
using CsCheck;
using Kalypto.Core.Deciding;
using Kalypto.Core.Designs;
using Kalypto.Core.Formats;
using Kalypto.Core.Packing;
using Kalypto.Core.Planning;
using Kalypto.Core.Platforms;
using Kalypto.Core.Platforms.Android;
using Kalypto.Core.Platforms.Apple;
using Kalypto.Core.Platforms.Web;
using Kalypto.Core.Rendering;
using Kalypto.Core.Tagging;

namespace Kalypto.Core.Tests.Packing;

public class PackPlannerTests
{
    private static readonly Box Shape = new(10, 10, 24, 24);

    private static readonly IPlatform[] ThreePlatforms = [new WebPlatform(), new ApplePlatform(), new AndroidPlatform()];

    private static Mark Ship(string? name = null, string tags = "") => new(Decision.Ship, name, Tags.Parse(tags));

    private static Pack Plan(string inside, params (string, Mark)[] marks) => Plan(Svg.Design(inside, Shape, marks));

    private static Pack Plan(DesignState design) => new PackPlanner(new("engine 1"), _ => new Look(Shape, null)).Plan([design], ThreePlatforms);

    [Fact]
    public void A_layer_becomes_the_files_that_each_platform_wants()
    {
        var pack = Plan("<g id='nav'><path id='Bell Icon'/></g>", ("Bell Icon", Ship()));
        Assert.Equal([
            "android/res/drawable-hdpi/bell_icon.webp 36", "android/res/drawable-ldpi/bell_icon.webp 18", "android/res/drawable-mdpi/bell_icon.webp 24",
            "android/res/drawable-xhdpi/bell_icon.webp 48", "android/res/drawable-xxhdpi/bell_icon.webp 72", "android/res/drawable-xxxhdpi/bell_icon.webp 96",
            "apple/Assets.xcassets/nav/bell-icon.imageset/bell-icon.png 24", "apple/Assets.xcassets/nav/bell-icon.imageset/bell-icon@2x.png 48",
            "apple/Assets.xcassets/nav/bell-icon.imageset/bell-icon@3x.png 72",
            "web/nav/bell-icon.png 24", "web/nav/bell-icon@2x.png 48", "web/nav/bell-icon@3x.png 72",
        ], pack.Files.Select(f => $"{f.Path} {f.Width}"));
        Assert.Empty(pack.Blockers);
        // Equal pictures are drawn once, whatever platform they are for.
        Assert.Equal(3 + 6, pack.Files.Select(f => f.Key).Distinct().Count());
    }

    [Fact]
    public void Own_scales_hold_on_every_platform_that_has_them()
    {
        var pack = Plan("<path id='bell'/>", ("bell", Ship(tags: "scale:1.5x,2x to:icons")));
        Assert.Equal(["android/res/drawable-hdpi/bell.webp", "android/res/drawable-xhdpi/bell.webp",
            "apple/Assets.xcassets/icons/bell.imageset/bell@2x.png", "web/icons/bell@1.5x.png", "web/icons/bell@2x.png"], pack.Files.Select(f => f.Path));
    }

    [Fact]
    public void Apples_catalog_names_every_file_once()
    {
        var pack = Plan("<path id='bell'/>", ("bell", Ship(tags: "to:icons/nav")));
        var contents = pack.SideFiles.Where(f => f.Path.EndsWith("Contents.json", StringComparison.Ordinal)).ToDictionary(f => f.Path, f => JsonDocument.Parse(f.Text).RootElement);
        Assert.Equal(4, contents.Count);
        Assert.Equal("kalypto", contents["apple/Assets.xcassets/Contents.json"].GetProperty("info").GetProperty("author").GetString());
        Assert.True(contents["apple/Assets.xcassets/icons/nav/Contents.json"].GetProperty("properties").GetProperty("provides-namespace").GetBoolean());
        var images = contents["apple/Assets.xcassets/icons/nav/bell.imageset/Contents.json"].GetProperty("images").EnumerateArray().ToList();
        Assert.Equal([("bell.png", "1x"), ("bell@2x.png", "2x"), ("bell@3x.png", "3x")],
            images.Select(i => (i.GetProperty("filename").GetString()!, i.GetProperty("scale").GetString()!)));
    }

    [Fact]
    public void Two_layers_at_one_path_block_and_a_free_name_is_offered()
    {
        const string Scene = "<path id='Bell'/><path id='bell'/><path id='bell-2'/>";
        var pack = Plan(Scene, ("Bell", Ship()), ("bell", Ship()), ("bell-2", Ship()));
        var blocker = Assert.Single(pack.Blockers);
        Assert.Contains("“bell”", blocker.Sentence, StringComparison.Ordinal);
        Assert.Contains("“Bell”", blocker.Sentence, StringComparison.Ordinal);
        Assert.Equal("bell-3", blocker.Fix!.ShipName);
        Assert.Empty(Plan(Scene, ("Bell", Ship()), ("bell", Ship(blocker.Fix.ShipName)), ("bell-2", Ship())).Blockers);
    }

    [Fact]
    public void Folders_keep_names_apart_but_on_android_they_do_not()
    {
        var design = Svg.Design("<g id='a'><path id='bell'/></g><g id='b'><path id='x'/></g>", Shape, ("bell", Ship()), ("x", Ship("bell")));
        Assert.Contains("Android", Assert.Single(Plan(design).Blockers).Sentence, StringComparison.Ordinal);
        var apart = new PackPlanner(new("e"), _ => new Look(Shape, null)).Plan([design], [new WebPlatform(), new ApplePlatform()]);
        Assert.Empty(apart.Blockers);
        Assert.Equal(["web/a/bell.png", "web/b/bell.png"], apart.Files.Where(f => f.Platform == "web" && f.Scale.Factor == 1).Select(f => f.Path));
    }

    [Theory]
    [InlineData("class", "class-picture", "class_picture")]
    [InlineData("3d dome", "n3d-dome", "n3d_dome")]
    [InlineData("nul", "nul-picture", "nul_picture")]
    public void A_typed_name_that_a_platform_does_not_take_is_another_one_there_and_said(string name, string offer, string onAndroid)
    {
        var plan = Plan("<path id='a'/>", ("a", Ship(name)));
        Assert.Empty(plan.Blockers);
        Assert.Contains(plan.Files, f => f.Platform == "android" && f.Path.Contains($"/{onAndroid}.", StringComparison.Ordinal));
        Assert.Equal(offer, Assert.Single(plan.Findings, f => f.Check == "other-name-there").Fix!.ShipName);
        Assert.DoesNotContain(Plan("<path id='a'/>", ("a", Ship(offer))).Findings, f => f.Check == "other-name-there");
        // A name out of the drawing is made acceptable without a word.
        Assert.DoesNotContain(Plan($"<path id='{name}'/>", (name, Ship())).Findings, f => f.Check == "other-name-there");
    }

    [Fact]
    public void A_name_of_which_nothing_is_left_blocks_and_its_offer_is_accepted()
    {
        var blocker = Assert.Single(Plan("<path id='a'/>", ("a", Ship("★"))).Blockers);
        Assert.Equal("picture-1", blocker.Fix!.ShipName);
        Assert.Empty(Plan("<path id='a'/>", ("a", Ship("picture-1"))).Blockers);
    }

    [Theory]
    [InlineData("<path id='Group 4'/>", "Group 4", "", "not-named-yet")]
    [InlineData("<path id='a' display='none'/>", "a", "", "hidden-or-locked-layer-ships")]
    [InlineData("<g id='guides'/>", "guides", "", "guides-ship")]
    [InlineData("<text data-name='title'>Hi</text>", "title", "", "text-as-a-picture")]
    [InlineData("<path id='a'/>", "a", "-png", "nothing-made")]
    [InlineData("<path id='a'/>", "a", "crop:20x20", "ink-outside-its-box")]
    [InlineData("<g id='a'><text textLength='4'>Hi</text></g>", "a", "", "not-kept-from-the-drawing")]
    public void Checks_find_what_is_wrong_with_a_shipped_layer(string inside, string layer, string tags, string check)
    {
        var finding = Assert.Single(Plan(inside, (layer, Ship(tags: tags))).Findings, f => f.Check == check);
        Assert.Contains(layer, finding.Sentence, StringComparison.Ordinal);
        Assert.DoesNotContain(Plan("<path id='fine'/>", ("fine", Ship())).Findings, f => f.Check == check);
    }

    [Fact]
    public void A_layer_that_cannot_be_drawn_is_told_and_the_rest_goes_on()
    {
        var design = Svg.Design("<path id='bad' d='M0 0h1'/><path id='good' d='M1 1h2'/><path id='empty' d='M2 2h3'/>", Shape, ("bad", Ship()), ("good", Ship()), ("empty", Ship()));
        var keys = design.Measured.Drawing.Layers.ToDictionary(l => design.Isolate(l).Key, l => l.Name);
        var pack = new PackPlanner(new("e"), key => keys[key] switch { "bad" => new(null, "It hangs."), "empty" => new(null, null), _ => new Look(Shape, null) })
            .Plan([design], [new WebPlatform()]);
        Assert.Equal(["good"], pack.Files.Select(f => f.Picture.LayerName).Distinct());
        Assert.Contains(pack.Findings, f => f.Check == "cannot-be-drawn" && f.Sentence.Contains("It hangs.", StringComparison.Ordinal));
        Assert.Contains(pack.Findings, f => f.Check == "nothing-visible");
    }

    [Fact]
    public void A_picture_with_too_few_pixels_is_told_with_what_it_has()
    {
        // A GIF head of 34 x 34 px on 24 pt: 1.4x.
        var gif = Convert.ToBase64String([.. "GIF89a"u8, 34, 0, 34, 0, 0, 0, 0, 0]);
        var inside = $"<image id='sky' width='24' height='24' preserveAspectRatio='none' href='data:image/gif;base64,{gif}'/>";
        var finding = Assert.Single(Plan(inside, ("sky", Ship())).Findings, f => f.Check == "picture-under-its-scale");
        Assert.Contains("only 1.4x", finding.Sentence, StringComparison.Ordinal);
        Assert.DoesNotContain(Plan(inside, ("sky", Ship(tags: finding.Fix!.Tags!))).Findings, f => f.Check == "picture-under-its-scale");
    }

    [Fact]
    public void Drawn_at_2x_halves_the_points_and_reads_the_same_pixels()
    {
        var one = Plan(Svg.Design("<path id='a'/>", Shape, ("a", Ship())));
        var two = Plan(Svg.Design("<path id='a'/>", Shape, ("a", Ship())) with { DrawnAt = 2 });
        Assert.Equal(12, two.Files.First(f => f.Path == "web/a.png").Width);
        Assert.Equal(one.Files.First(f => f.Path == "web/a.png").Source, two.Files.First(f => f.Path == "web/a@2x.png").Source);
    }

    [Fact]
    public void A_fraction_of_a_pixel_is_added_at_the_right_and_nothing_is_scaled()
    {
        var design = Svg.Design("<path id='a'/>", new Box(0, 0, 25, 25), ("a", Ship()));
        var ldpi = new PackPlanner(new("e"), _ => new Look(new Box(0, 0, 25, 25), null)).Plan([design], [new AndroidPlatform()]).Files.First(f => f.Scale.Factor == 0.75);
        Assert.Equal(19, ldpi.Width);
        Assert.Equal(19 / 0.75, ldpi.Source.Width, 9);
    }

    [Fact]
    public void Progress_counts_what_nobody_has_to_decide_any_more()
    {
        var design = Svg.Design("<g id='a'><path id='b'/><path id='c'/></g><g id='d'><path id='e'/></g><path id='f'/>", Shape,
            ("a", Ship()), ("e", new Mark(Decision.Code, null, Tags.Empty)));
        Assert.Equal(new Progress(Ship: 1, Code: 1, Leave: 0, Covered: 3, Open: 1), Progress.Of(design.Measured.Drawing.Layers, design.MarkOf));
    }

    [Fact]
    public void What_is_left_and_guides_stay_out_of_the_picture_around_them()
    {
        var design = Svg.Design("<g id='a'><path id='b'/><g id='guides'/><path id='c'/></g>", Shape, ("a", Ship()), ("b", new Mark(Decision.Leave, null, Tags.Empty)));
        var layers = design.Measured.Drawing.Layers;
        Assert.Equal(["b", "guides"], design.Isolate(layers.First(l => l.Name == "a")).Without.Select(o => layers[o].Name));
        var guidesShip = design with { Marks = new Dictionary<int, Mark>(design.Marks) { [layers.First(l => l.Name == "guides").Ordinal] = Ship() } };
        Assert.Equal(["b"], guidesShip.Isolate(layers.First(l => l.Name == "a")).Without.Select(o => layers[o].Name));
    }

    [Fact]
    public void Estimates_stand_in_until_a_file_is_drawn()
    {
        var files = Plan("<path id='a'/><image id='b'/>", ("a", Ship()), ("b", Ship())).Files;
        Assert.All(files, f => Assert.InRange(WeightEstimate.Of(f), 150, 20_000));
        long Of(string path) => WeightEstimate.Of(files.First(f => f.Path == path));
        Assert.True(Of("web/a@3x.png") > Of("web/a.png"));
        Assert.True(Of("web/b.jpg") > Of("web/a.png"));
    }

    [Fact]
    public void What_was_weighed_at_one_scale_tells_the_weight_at_others()
    {
        // It was seen at four px a unit: 4,000 bytes, half of them at half the size, a quarter of those at a quarter.
        var measure = new SeenWeights.Measure(4, 4_000, 2_000, 500);
        Assert.Equal([8_000, 4_000, 2_000, 500], new[] { 8.0, 4, 2, 1 }.Select(measure.At));
        // What did not grow at all, or grew more than its area, is chance.
        Assert.InRange(new SeenWeights.Measure(1, 100, 100, 100).At(2), 101, 150);
        Assert.Equal(400, new SeenWeights.Measure(1, 100, 1, 1).At(2));
        var seen = new SeenWeights(measure, measure, measure, measure, measure);
        Assert.Equal(seen, SeenWeights.Read(seen.Numbers));
        Assert.Equal(2_000, seen.In(2).Png.At(4));
        Assert.Null(SeenWeights.Read([1, 2]));
    }

    [Theory]
    [InlineData("jpeg")]
    [InlineData("webp")]
    [InlineData("avif")]
    public void An_estimate_grows_with_the_quality_and_the_usual_one_is_what_is_meant_without(string format)
    {
        long Of(string asked) => WeightEstimate.Of(Plan("<image id='b'/>", ("b", Ship(tags: $"photo -jpeg -webp -avif {asked} scale:3x"))).Files.First(f => f.Format.Id == format));
        var weights = Enumerable.Range(1, 100).Select(q => Of($"{format}:{q}")).ToList();
        Assert.Equal(weights.Order(), weights);
        Assert.True(weights[^1] > 3 * weights[0]);
        Assert.Equal(Of(format), Of(FormatAsk.Parse(format)!.Held is Quality.Fixed { Percent: var usual } ? $"{format}:{usual}" : ""));
    }

    [Fact]
    public void Whatever_ships_under_whatever_names_no_two_files_share_a_path_without_a_blocker_and_every_offer_is_a_way_out()
    {
        var collisions = 0;
        Gen.Select(Gen.String[Gen.Char["aAbB-_ 1é"], 0, 3].Array[2, 6], Gen.Int[0, 2].Array[6]).Sample((names, depth) =>
        {
            var inside = string.Concat(names.Select((_, i) => depth[i] == 0 ? $"<path id='layer{i}'/>" : $"<g id='folder{depth[i]}'><path id='layer{i}'/></g>"));
            var said = names.ToArray();
            Pack Now() => Plan(inside, [.. said.Select((name, i) => ($"layer{i}", Ship(name)))]);
            var pack = Now();
            for (var round = 0; pack.Blockers.FirstOrDefault() is { } blocker; round++)
            {
                Assert.True(round < 12, $"{string.Join(", ", names)} never comes to an end");
                // The drawing itself is 0, and groups count as layers too: the layer is told by its name.
                var layer = Svg.Read(inside).Layers[blocker.Layer.Ordinal].Name;
                said[int.Parse(layer["layer".Length..], System.Globalization.CultureInfo.InvariantCulture)] = blocker.Fix!.ShipName!;
                pack = Now();
                Interlocked.Increment(ref collisions);
            }
            Assert.Equal(pack.Files.Length, pack.Files.DistinctBy(f => f.Path.ToUpperInvariant()).Count());
        });
        Assert.NotEqual(0, collisions);
    }

    [Fact]
    public void The_manifest_is_the_same_for_the_same_pack()
    {
        var files = Plan("<path id='a'/>", ("a", Ship())).Files.Select(f => new BuiltFile(f, 10, new string('0', 64))).ToList();
        var manifest = Manifest.Write("Project", files, [], [new("web", "web/pictures.css", 12, new('a', 64))]);
        Assert.Equal(manifest, Manifest.Write("Project", files.AsEnumerable().Reverse(), [], [new("web", "web/pictures.css", 12, new('a', 64))]));
        Assert.Equal(files.Count, JsonDocument.Parse(manifest).RootElement.GetProperty("files").GetArrayLength());
    }
}
