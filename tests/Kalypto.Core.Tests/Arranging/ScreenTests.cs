using Kalypto.Core.Arranging;
using Kalypto.Core.Designs;
using Kalypto.Core.Planning;
using Kalypto.Core.Rendering;

namespace Kalypto.Core.Tests.Arranging;

public class ScreenTests
{
    private const string Board = "viewBox='0 0 1300 900'";

    private static string Screen(double x, string title, bool grouped) => $"{(grouped ? "<g>" : "")}<rect x='{x}' y='20' width='375' height='812'/><text x='{x + 20}' y='80'>{title}</text><path d='M{x + 20} 200L{x + 44} 224'/>{(grouped ? "</g>" : "")}";

    private static string Three(bool grouped = false) => string.Concat(new[] { (20, "Tonight"), (420, "Book"), (820, "Me") }.Select(s => Screen(s.Item1, s.Item2, grouped)));

    [Fact]
    public void A_board_splits_by_backgrounds_of_device_size_in_reading_order_named_by_their_largest_words()
    {
        var proposal = Svg.Measure(Three(), Board).Proposals[0];
        Assert.Equal("backgrounds", proposal.By);
        Assert.Equal("3 backgrounds of phone size", proposal.Why);
        Assert.Equal([("Tonight", new Box(20, 20, 375, 812)), ("Book", new Box(420, 20, 375, 812)), ("Me", new Box(820, 20, 375, 812))], proposal.Screens.Select(s => (s.Name, s.Box)));
        Assert.All(proposal.Screens, s => Assert.Null(s.Layer));
    }

    [Fact]
    public void Groups_that_are_screens_become_them_also_inside_a_needless_outer_group()
    {
        var measured = Svg.Measure($"<g id='all'>{Three(grouped: true)}</g>", Board);
        var proposal = measured.Proposals[0];
        Assert.All(proposal.Screens, s => Assert.Equal(LayerContent.Group, measured.Drawing.Layers[s.Layer!.Value].Content));
        var split = measured.Arrange(new ScreenEdits(measured.Drawn, Arrangement.None).Split(proposal.Screens));
        Assert.Equal(["Tonight", "Book", "Me"], split.Drawing.Screens.Select(s => s.Name));
        Assert.Equal([3, 3, 3], split.Drawing.Screens.Select(s => split.LayersOf(s).Count - 1));
        Assert.Null(split.ScreenOf(split.Drawing.Layer("all")));
        Assert.Empty(split.Proposals);
    }

    [Fact]
    public void Without_grounds_and_groups_the_gaps_decide()
    {
        var loose = string.Concat(new[] { 20, 420, 820 }.SelectMany(x => Enumerable.Range(0, 8).Select(i => $"<path d='M{x} {20 + i * 100}L{x + 360} {115 + i * 100}'/>")));
        var proposal = Assert.Single(Svg.Measure(loose, Board).Proposals);
        Assert.Equal(("gaps", 3), (proposal.By, proposal.Screens.Length));
    }

    [Theory]
    [InlineData("<rect width='375' height='812'/><text x='20' y='60'>Only one</text>", "viewBox='0 0 375 812'")]
    [InlineData("<rect width='1280' height='2400'/><rect x='100' y='300' width='300' height='200'/><rect x='500' y='300' width='300' height='200'/>", "viewBox='0 0 1280 2400'")]
    public void One_screen_is_not_split(string inside, string attributes) => Assert.Empty(Svg.Measure(inside, attributes).Proposals);

    [Fact]
    public void Layers_go_to_the_screen_they_lie_on_and_what_spans_several_to_none()
    {
        var measured = Svg.Measure($"<g id='everything'>{Three()}</g><path id='line' d='M20 850L1200 851'/><path id='beside' d='M1210 20L1240 50'/>", Board);
        var split = measured.Arrange(new ScreenEdits(measured.Drawn, Arrangement.None).Split(measured.Proposals[0].Screens));
        Assert.Equal([3, 3, 3], split.Drawing.Screens.Select(s => split.LayersOf(s).Count - 1));
        foreach (var name in new[] { "everything", "line", "beside" })
        {
            Assert.Null(split.ScreenOf(split.Drawing.Layer(name)));
        }
    }

    [Theory]
    [InlineData("")]
    [InlineData("<path id='sign' d='M300 700h24v24h-24z'/>")]
    public void What_runs_out_of_its_screen_is_listed_on_it_and_so_is_its_group(string more)
    {
        // As of a tool that lets words run on: four screens wide, by itself, in a group alone, and in the group with the ground.
        const string Long = "<text id='{0}' x='{1}' y='300' font-size='20'>Tonight at nine the dome opens for everyone who wants to see the rings of Saturn, the moons of Jupiter, and the cloud bands of both</text>";
        string Words(string id, int x) => string.Format(System.Globalization.CultureInfo.InvariantCulture, Long, id, x);
        var grounds = string.Concat(new[] { 420, 820 }.Select(x => $"<rect x='{x}' y='20' width='375' height='812'/>"));
        var measured = Svg.Measure($"<g id='first'><rect id='ground' x='20' y='20' width='375' height='812'/><g id='card'>{Words("held", 40)}</g>{more}</g>{grounds}{Words("loose", 440)}<g id='row'>{Words("inner", 840)}</g><path id='over' d='M500 400H860V410H500z'/>", Board);
        var split = measured.Arrange(new ScreenEdits(measured.Drawn, Arrangement.None).Split([.. new[] { 20, 420, 820 }.Select(x => new NewScreen($"at {x}", new(x, 20, 375, 812)))]));
        Assert.All(new[] { "first", "ground", "card", "held" }, n => Assert.Equal("at 20", split.ScreenOf(split.Drawing.Layer(n))?.Name));
        Assert.All(new[] { "loose", "over" }, n => Assert.Equal("at 420", split.ScreenOf(split.Drawing.Layer(n))?.Name));
        Assert.All(new[] { "row", "inner" }, n => Assert.Equal("at 820", split.ScreenOf(split.Drawing.Layer(n))?.Name));
        // None is lost: what has a shape and shows on a screen is on one.
        Assert.DoesNotContain(split.Drawing.Layers, l => l.Ordinal > 0 && l.Children.Count == 0 && split.Shapes[l.Ordinal] is not null && split.ScreenOf(l) is null);
    }

    [Fact]
    public void Screens_are_named_once_moved_framed_and_taken_away()
    {
        var measured = Svg.Measure(Three(), Board);
        var arrangement = new ScreenEdits(measured.Drawn, Arrangement.None).Split(measured.Proposals[0].Screens);
        ScreenEdits Edits() => new(measured.Drawn, arrangement);
        var roots = Edits().Screens.Select(s => s.Root).ToList();
        arrangement = Edits().Rename(roots[2], "tonight");
        Assert.Equal("tonight 2", Edits().Screens[2].Name);
        arrangement = Edits().Move(roots[2], 0);
        Assert.Equal([roots[2], roots[0], roots[1]], Edits().Screens.Select(s => s.Root));
        arrangement = Edits().Reframe(roots[0], new(10, 10, 400, 9000));
        Assert.Equal(new Box(10, 10, 400, 890), Edits().Screens[1].Box);
        arrangement = Edits().Remove(roots[1]);
        arrangement = Edits().Add(new NewScreen("", new(0, 0, 50, 50)));
        Assert.Equal(["tonight 2", "Tonight", "Screen 3"], Edits().Screens.Select(s => s.Name));
        Assert.Throws<ArrangingRefusedException>(() => Edits().Rename(roots[0], "  "));
        Assert.Throws<ArrangingRefusedException>(() => Edits().Remove(roots[1]));
        Assert.Throws<ArrangingRefusedException>(() => Edits().Add(new NewScreen("far", new(5000, 0, 50, 50))));
    }

    [Theory]
    [InlineData("width='24px' height='24px' viewBox='0 -960 960 960'", 40.0)]
    [InlineData("width='200' height='200' viewBox='0 0 1024 1024'", 5.12)]
    [InlineData("width='210mm' height='297mm' viewBox='0 0 21000 29700'", 26.458)]
    [InlineData("width='375' height='812' viewBox='0 0 750 1624'", 2.0)]
    [InlineData("height='24' viewBox='0 0 48 96'", 4.0)]
    [InlineData("style='width:24px;height:24px' width='48' height='48' viewBox='0 0 48 48'", 2.0)]
    // Fitted in by its longer side.
    [InlineData("width='24' height='24' viewBox='0 0 48 24'", 2.0)]
    [InlineData("width='374.6' height='812' viewBox='0 0 375 812'", null)]
    [InlineData("width='750' height='1624' viewBox='0 0 375 812'", null)]
    [InlineData("width='100%' height='100%' viewBox='0 0 960 960'", null)]
    [InlineData("width='1em' height='1em' viewBox='0 0 24 24'", null)]
    [InlineData("width='.001' height='.001' viewBox='0 0 24 24'", null)]
    [InlineData("width='0' height='-3' viewBox='0 0 24 24'", null)]
    [InlineData("width='750' height='1334'", null)]
    public void A_file_says_on_how_many_units_it_was_drawn(string attributes, double? units)
    {
        var drawing = Svg.Read("", attributes);
        Assert.Equal(units, DrawnScale.SaidBy(drawing));
        Assert.Equal(units ?? DeviceSizes.DrawnAt([drawing.Box]), DrawnScale.Of(drawing));
    }

    [Theory]
    [InlineData(375, 812, "phone", 1)]
    [InlineData(750, 1334, null, 2)]
    [InlineData(1125, 2436, "desktop", 3)]
    [InlineData(768, 1024, "tablet", 1)]
    [InlineData(1440, 900, "desktop", 1)]
    [InlineData(1440, 4200, "desktop", 1)]
    [InlineData(812, 375, "phone", 1)]
    [InlineData(24, 24, null, 1)]
    public void Sizes_are_recognised_and_say_what_they_were_drawn_at(double width, double height, string? device, double drawnAt)
    {
        Assert.Equal(device, DeviceSizes.Of(new(0, 0, width, height)));
        Assert.Equal(drawnAt, DeviceSizes.DrawnAt([new(0, 0, width, height)]));
    }

    [Fact]
    public void A_group_around_everything_is_stepped_over_and_gives_no_folder()
    {
        var inside = string.Concat(Enumerable.Range(0, 9).Select(i => $"<path id='p{i}' d='M{i} {i}L{990 - i} {990 - i}'/>"));
        var design = Svg.Measure($"<g id='Artwork'>{inside}</g>").State(("p1", "Ship"));
        Assert.True(design.Measured.IsNeedlessOuter(design.Measured.Drawing.Layer("Artwork")));
        var picture = new PackPlanner(new("engine"), _ => new Look(new Box(1, 1, 9, 9), null)).PictureOf(design, design.Measured.Drawing.Layer("p1"));
        Assert.Equal("", picture.Making.FolderPath);
    }
}
