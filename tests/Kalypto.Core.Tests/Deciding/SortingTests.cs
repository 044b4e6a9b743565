using Kalypto.Core.Arranging;
using Kalypto.Core.Deciding;
using Kalypto.Core.Designs;
using Kalypto.Core.Planning;
using Kalypto.Core.Platforms;
using Kalypto.Core.Platforms.Web;
using Kalypto.Core.Rendering;
using Kalypto.Core.Tagging;

namespace Kalypto.Core.Tests.Deciding;

/// <summary>Repeats, states, parts and rules: what is decided together, and what comes of it.</summary>
public class SortingTests
{
    private const string Star = "l6 12l12 1l-9 9z";

    private static Pack Plan(params DesignState[] designs) =>
        new PackPlanner(new("engine"), _ => new Look(new Box(0, 0, 24, 24), null)).Plan(designs, [new WebPlatform()]);

    private static IEnumerable<string> Paths(Pack pack) => pack.Files.Where(f => f.Scale.Factor == 1).Select(f => f.Path);

    [Fact]
    public void A_drawing_in_several_places_ships_once_under_its_real_name()
    {
        var design = Svg.Measure($"<g id='a'><path id='Group 7' d='M10 10{Star}'/></g><g id='b'><path id='comet' d='M60 40{Star}'/></g>")
            .State(("Group 7", "Ship to:icons"), ("comet", "Ship to:icons"));
        var pack = Plan(design);
        Assert.Equal(["web/icons/comet.png"], Paths(pack));
        Assert.Equal(2, pack.Pictures.Single().Places.Length);
        Assert.Empty(pack.Blockers);
    }

    [Fact]
    public void Places_that_people_called_otherwise_or_put_elsewhere_ship_each_by_itself()
    {
        static Pack Of(string inside, params (string Layer, string Said)[] marks) => Plan(Svg.Measure(inside).State(marks));
        var flags = $"<path id='flag-re' d='M10 10{Star}'/><path id='flag-bl' d='M60 40{Star}'/><path id='path77' d='M90 40{Star}'/>";
        var pack = Of(flags, ("flag-re", "Ship"), ("flag-bl", "Ship"), ("path77", "Ship"));
        Assert.Equal(["web/flag-bl.png", "web/flag-re.png"], Paths(pack));
        Assert.Equal(2, pack.Pictures.First(p => p.Name == "flag-re").Places.Length);
        // What the drawing says behind a name counts as much as what is said here.
        Assert.Equal(["web/de/star.png", "web/en/star.png"], Paths(Of($"<path id='star [to:de]' d='M10 10{Star}'/><path id='star [to:en]' d='M60 40{Star}'/>", ("star", "Ship"), ("star#2", "Ship"))));
        // Copies are one, with a finding that says for what there is no file.
        var copies = Of($"<g id='top'><path id='comet' d='M10 10{Star}'/></g><g id='foot'><path id='comet copy 2' d='M60 40{Star}'/></g>", ("comet", "Ship"), ("comet copy 2", "Ship"));
        Assert.Equal(["web/top/comet.png"], Paths(copies));
        Assert.Contains("“foot/comet copy 2”", copies.Findings.Single(f => f.Check == "one-file-for-several-places").Sentence, StringComparison.Ordinal);
    }

    [Fact]
    public void A_group_that_several_screens_lie_in_gives_no_folder()
    {
        var board = Svg.Measure($"<g id='spring'><g id='first'><rect width='300' height='600'/><g id='nav'><path id='bell' d='M10 10{Star}'/></g></g><g id='second'><rect x='400' width='300' height='600'/><path id='moon' d='M410 10L430 40'/></g></g>");
        var split = board.Arrange(new ScreenEdits(board.Drawn, Arrangement.None).Split([new("first", new(0, 0, 300, 600)), new("second", new(400, 0, 300, 600))]));
        Assert.Equal(["web/first/nav/bell.png", "web/second/moon.png"], Paths(Plan(split.State(("bell", "Ship"), ("moon", "Ship")))).Order());
    }

    [Fact]
    public void A_name_holds_for_places_that_are_called_alike()
    {
        var drawing = Svg.Measure($"<path id='flag-re' d='M10 10{Star}'/><path id='flag-bl' d='M60 40{Star}'/><path id='path77' d='M90 40{Star}'/><path id='flag-re copy' d='M90 80{Star}'/>");
        var sets = new RepeatSets([(1, drawing)]);
        int At(string name) => drawing.Drawing.Layers.First(l => l.Name == name).Ordinal;
        LayerRef red = new(1, At("flag-re")), blue = new(1, At("flag-bl"));
        Assert.Equal([red, new(1, At("path77")), new(1, At("flag-re copy"))], sets.NamedWith(red, _ => Mark.None));
        Assert.Equal([blue], sets.NamedWith(blue, _ => Mark.None));
        var shared = sets.Shared(new Dictionary<int, IReadOnlyDictionary<int, Mark>> { [1] = new Dictionary<int, Mark> { [red.Ordinal] = new(Decision.Ship, "rouge", Tags.Empty) } })[1];
        Assert.Equal((Decision.Ship, null), (shared[blue.Ordinal].Decision, shared[blue.Ordinal].ShipName));
        Assert.Equal("rouge", shared[At("path77")].ShipName);
    }

    [Fact]
    public void A_place_taken_apart_ships_by_itself_and_is_told()
    {
        var design = Svg.Measure($"<path id='moon' d='M10 10{Star}'/><path id='star' d='M60 40{Star}'/>").State(("moon", "Ship"), ("star", "Ship"));
        design = design with { Marks = design.Marks.ToDictionary(m => m.Key, m => m.Value with { Apart = m.Key == 2 }) };
        var pack = Plan(design);
        Assert.Equal(["web/moon.png", "web/star.png"], Paths(pack));
        Assert.Equal("moon", pack.Findings.Single(f => f.Check == "same-drawing-under-two-names").Fix!.ShipName);
    }

    [Fact]
    public void What_is_said_of_one_place_holds_for_places_that_come_later()
    {
        var first = Svg.Measure($"<path id='star' d='M10 10{Star}'/>");
        var later = Svg.Measure($"<g id='g'><path id='Path 9' d='M500 1{Star}'/></g>");
        var sets = new RepeatSets([(1, first), (2, later)]);
        Assert.Equal([new LayerRef(1, 1), new LayerRef(2, 2)], sets.PlacesOf(new(2, 2)));
        var said = Mark.None with { Decision = Decision.Ship, ShipName = "star" };
        var shared = sets.Shared(new Dictionary<int, IReadOnlyDictionary<int, Mark>> { [1] = new Dictionary<int, Mark> { [1] = said }, [2] = new Dictionary<int, Mark>() });
        Assert.Equal(said, shared[2][2]);
        var takenBack = sets.Shared(new Dictionary<int, IReadOnlyDictionary<int, Mark>> { [1] = new Dictionary<int, Mark> { [1] = said }, [2] = new Dictionary<int, Mark> { [2] = Mark.None } });
        Assert.Equal(said, takenBack[2][2]);
        Assert.Equal([new LayerRef(2, 2)], sets.SharedWith(new(2, 2), r => Mark.None with { Apart = r.Design == 2 }));
    }

    [Fact]
    public void States_share_one_crop_and_carry_their_state_behind_the_name()
    {
        var design = Svg.Measure("""
            <g id='book-button'><g id='normal'><rect x='10' y='10' width='100' height='40'/></g><g id='hover' display='none'><rect x='8' y='10' width='104' height='44'/></g></g>
            <g id='Group 9'><rect x='200' y='10' width='100' height='40'/></g>
            """).State(("normal", "Ship crop:shape"), ("hover", "Ship crop:shape"));
        var pack = Plan(design);
        Assert.Equal(["web/book-button/book-button-hover.png", "web/book-button/book-button.png"], Paths(pack));
        Assert.Single(pack.Pictures.Select(p => (p.Crop!.Box.Width, p.Crop.Box.Height)).Distinct());
        Assert.Contains("disabled and pressed are missing", pack.Findings.Single(f => f.Check == "missing-states-of-a-button").Sentence, StringComparison.Ordinal);
        // Hidden is what the states of a button are by nature.
        Assert.DoesNotContain(pack.Findings, f => f.Check == "hidden-or-locked-layer-ships");
    }

    [Fact]
    public void States_drawn_side_by_side_get_one_size_each_from_its_own_corner()
    {
        var design = Svg.Measure("<g id='ok'><rect id='ok-normal' x='10.2' y='10' width='50' height='20'/><rect id='ok-pressed' x='100.7' y='10' width='60' height='20'/></g>")
            .State(("ok-normal", "Ship crop:shape"), ("ok-pressed", "Ship crop:shape"));
        var boxes = Plan(design).Pictures.Select(p => p.Crop!.Box).ToList();
        Assert.Equal([new(10, 10, 61, 20), new(100, 10, 61, 20)], boxes);
    }

    [Fact]
    public void A_state_can_be_tagged_whatever_the_layer_is_called()
    {
        var design = Svg.Measure("<g id='save'><rect id='Group 1' width='50' height='20'/><rect id='Group 2' width='50' height='20'/></g>")
            .State(("Group 1", "Ship state:normal"), ("Group 2", "Ship state:disabled"));
        Assert.Equal(["web/save/save-disabled.png", "web/save/save.png"], Paths(Plan(design)));
    }

    [Fact]
    public void A_set_ships_as_one_or_in_parts_without_touching_the_drawing()
    {
        const string Cards = "<g id='cards'><g id='Group 1'><path d='M1 1l3 4'/></g><g id='moon'><path d='M9 1l3 5'/></g><g id='left' display='none'><path d='M9 9l3 6'/></g></g>";
        Assert.Equal(["web/cards.png"], Paths(Plan(Svg.Measure(Cards).State(("cards", "Ship")))));
        var parts = Plan(Svg.Measure(Cards).State(("cards", "Ship parts picture to:cards")));
        Assert.Equal(["web/cards/cards-1.png", "web/cards/moon.png"], Paths(parts));
        Assert.Equal("whole", Plan(Svg.Measure("<path id='a' d='M1 1l3 4'/>").State(("a", "Ship parts"))).Findings.Single(f => f.Check == "parts-of-nothing").Fix!.Tags);
    }

    [Fact]
    public void Rules_decide_what_is_open_and_nothing_else()
    {
        var design = Svg.Measure("""
            <text id='title'>Tonight</text><rect id='card' width='90' height='40'/><g id='grid'><rect id='column' width='9' height='9'/></g>
            <path id='moon' d='M1 1l3 4' display='none'/><g id='label'><rect width='9' height='9'/><text>x</text></g><g id='shipped'><text id='inside'>y</text></g><text id='kept'>z</text>
            """).State(("shipped", "Ship"), ("kept", "Leave"));
        string[] Named(string rule) => [.. DecisionRule.All.Single(r => r.Id == rule).Among(design, design.Layers).Select(l => l.Name)];
        Assert.Equal(["title", "x"], Named("texts"));
        Assert.Equal(["card", "column", "rect"], Named("boxes"));
        Assert.Equal(["grid", "column"], Named("guides"));
        Assert.Equal(["moon"], Named("hidden"));
        Assert.Contains("label", Named("groups"));
    }

    [Fact]
    public void Every_layer_is_counted_with_its_repeats()
    {
        var measured = Svg.Measure("<defs><g id='s'><path d='M0 0'/><path d='M1 0'/></g></defs><g id='a'><use id='u' href='#s'/><text>x</text><rect width='1' height='1'/></g>");
        Assert.Equal(new LayerContents(3, 1, 0), measured.Contents[measured.Drawing.Layer("a").Ordinal]);
    }

    [Fact]
    public void Findings_name_the_place_and_a_fix_settles_them()
    {
        var icons = string.Concat(Enumerable.Range(0, 3).Select(i => $"<path id='i{i}' d='M{i * 100}.5 10.5L{i * 100 + 20 + i}.5 30.5L{i * 100 + 3} {12 + i}'/>"));
        var design = Svg.Measure($"{icons}<image id='photo' width='200' height='150'/><path id='ghost' display='none' d='M1 1l9 8'/>")
            .State(("i0", "Ship icon to:icons crop:shape"), ("i1", "Ship icon to:icons crop:shape"), ("i2", "Ship icon to:icons crop:shape"));
        var pack = Plan(design);
        Assert.Equal(3, pack.Findings.Count(f => f.Check == "drawn-on-half-points"));
        Assert.Equal(["crop:24x24", "crop:24x24", "crop:24x24"], pack.Findings.Where(f => f.Check == "icons-with-different-boxes").Select(f => f.Fix!.Tags));
        Assert.Equal("“photo” on Drawing is an embedded photo that nobody ships.", pack.Findings.Single(f => f.Check == "photo-not-shipped").Sentence);
        Assert.Equal(Decision.Leave, pack.Findings.Single(f => f.Check == "hidden-layer-not-decided").Fix!.Decision);
        foreach (var finding in pack.Findings.Where(f => f.Fix?.Tags is not null))
        {
            Assert.Empty(TagLine.Parse(finding.Fix!.Tags!).Mistakes);
        }
    }
}
