using Kalypto.Core.Arranging;
using Kalypto.Core.Checking;
using Kalypto.Core.Deciding;
using Kalypto.Core.Designs;
using Kalypto.Core.Planning;
using Kalypto.Core.Platforms;
using Kalypto.Core.Platforms.Web;
using Kalypto.Core.Rendering;
using Kalypto.Core.Suggesting;

namespace Kalypto.Core.Tests.Deciding;

/// <summary>Checks of screens and of what nobody decided, and the suggestions behind some of them.</summary>
public class CheckTests
{
    private static List<Finding> Findings(DesignState design, string check) =>
        [.. new PackPlanner(new("engine"), _ => new Look(new Box(0, 0, 24, 24), null)).Plan([design], [new WebPlatform()]).Findings.Where(f => f.Check == check)];

    private static string[] Suggested(string inside) => [.. Svg.Measure(inside).State().Suggested().Select(s => $"{s.Layer.Name} {s.Kind}{(s.Together.IsEmpty ? "" : $" of {s.Together.Length}")}").Order(StringComparer.Ordinal)];

    [Fact]
    public void A_board_is_told_until_it_is_split_and_what_lies_beside_its_screens_after()
    {
        var board = Svg.Measure("<rect x='20' y='20' width='375' height='812'/><rect x='420' y='20' width='375' height='812'/><path id='note' d='M900 20L940 60'/>", "viewBox='0 0 1000 900'");
        var finding = Assert.Single(Findings(board.State(), "several-screens-on-one-board"));
        Assert.Equal("screens", finding.Fix!.Place);
        Assert.Contains("2 backgrounds of phone size", finding.Sentence, StringComparison.Ordinal);
        var split = board.Arrange(new ScreenEdits(board.Drawn, Arrangement.None).Split(board.Proposals[0].Screens));
        Assert.Empty(Findings(split.State(), "several-screens-on-one-board"));
        Assert.Contains("“note”", Assert.Single(Findings(split.State(), "layers-on-no-screen")).Sentence, StringComparison.Ordinal);
    }

    [Fact]
    public void A_screen_twice_as_wide_as_a_phone_asks_what_it_was_drawn_at()
    {
        var design = Svg.Measure("<rect width='750' height='1334'/>", "viewBox='0 0 750 1334'").State();
        Assert.Contains("drawn at 2x", Assert.Single(Findings(design, "drawn-at-another-scale")).Sentence, StringComparison.Ordinal);
        Assert.Empty(Findings(design with { DrawnAt = 2 }, "drawn-at-another-scale"));
        var icon = Svg.Measure("<path d='M0 0H960'/>", "width='24' height='24' viewBox='0 0 960 960'").State();
        Assert.Contains("960 units on 24 px, which is 40x", Assert.Single(Findings(icon, "drawn-at-another-scale")).Sentence, StringComparison.Ordinal);
        Assert.Empty(Findings(icon with { DrawnAt = 40 }, "drawn-at-another-scale"));
    }

    [Fact]
    public void What_lies_in_something_shipped_or_left_is_not_forgotten()
    {
        const string Hero = "<g id='hero'><image id='sky' width='300' height='200'/><path id='ghost' display='none' d='M1 1L9 8'/></g>";
        Assert.Single(Findings(Svg.Measure(Hero).State(), "photo-not-shipped"));
        Assert.Single(Findings(Svg.Measure(Hero).State(), "hidden-layer-not-decided"));
        foreach (var decision in new[] { "Ship", "Leave", "Ship parts" })
        {
            Assert.Empty(Findings(Svg.Measure(Hero).State(("hero", decision)), "photo-not-shipped"));
        }
        Assert.Empty(Findings(Svg.Measure(Hero).State(("hero", "Ship")), "hidden-layer-not-decided"));
    }

    [Fact]
    public void A_likely_icon_is_told_and_its_fix_ships_it()
    {
        var design = Svg.Measure("<g id='bell'><path d='M10 10L34 34L12 30'/></g><g id='ticket'><path d='M60 10L84 34L62 30'/><path d='M61 11L80 30'/></g>").State();
        var findings = Findings(design, "likely-picture-not-decided");
        Assert.Equal(["bell", "ticket"], findings.Select(f => design.Layers[f.Layer.Ordinal].Name).Order(StringComparer.Ordinal));
        Assert.All(findings, f => Assert.Equal((Decision.Ship, "icon"), (f.Fix!.Decision, f.Fix.Tags)));
        Assert.Single(Findings(design with { Marks = new Dictionary<int, Mark> { [design.Measured.Drawing.Layer("bell").Ordinal] = Mark.None with { Decision = Decision.Code } } }, "likely-picture-not-decided"));
    }

    [Fact]
    public void Icons_are_whole_groups_rows_of_them_are_not_and_loose_parts_are_joined()
    {
        Assert.Equal(["one icon", "two icon"], Suggested("<g id='row'><g id='one'><path d='M10 10L34 34'/></g><g id='two'><path d='M44 10L60 34'/></g></g>"));
        Assert.Equal(["lens icon of 2"], Suggested("<text id='t' x='0' y='200'>x</text><path id='lens' d='M10 10L24 24'/><path id='handle' d='M24 24L32 32'/><rect id='far' x='500' y='500' width='300' height='90'/>"));
        // A switch, a bare box and a line are made in code.
        Assert.Empty(Suggested("<g id='switch'><rect width='48' height='28'/><rect x='20' width='28' height='28'/></g><rect id='box' x='200' width='24' height='24'/><line id='rule' x='300' width='40' height='1'/>"));
    }

    [Fact]
    public void Names_and_embedded_pictures_speak_for_themselves()
    {
        Assert.Equal(["Larkrise logo logo"], Suggested("<g id='Larkrise logo'><path d='M10 10L90 40'/><text x='100' y='30'>Larkrise</text></g>"));
        Assert.Equal(["avatar photo"], Suggested("<g id='avatar'><image width='40' height='40'/><rect width='40' height='40'/></g>"));
        var stars = string.Concat(Enumerable.Range(0, 20).Select(i => $"<path d='M{i * 37 % 400} {i * 91 % 300}L{i * 37 % 400 + 3} {i * 91 % 300 + 3}'/>"));
        Assert.Equal(["stars picture"], Suggested($"<g id='stars'>{stars}</g><text x='1' y='700'>x</text>"));
    }

    [Fact]
    public void Neighbours_of_shipped_icons_are_surer()
    {
        const string Row = "<g id='a'><path d='M10 10L34 34L12 30'/></g><g id='b'><path d='M60 10L84 34L70 12'/></g>";
        double Of(params (string, string)[] marks) => Svg.Measure(Row).State(marks).Suggested().Single(s => s.Layer.Name == "b").Strength;
        Assert.True(Of(("a", "Ship icon")) > Of());
    }
}
