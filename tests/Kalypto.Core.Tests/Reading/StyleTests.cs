using System.Text;
using Kalypto.Core.Designs;
using Kalypto.Core.Reading;

namespace Kalypto.Core.Tests.Reading;

public class StyleTests
{
    private static string? Fill(string css, string inside, string name = "x") =>
        Svg.Read($"<style>{css}</style>{inside}").Layer(name).Element.Style("fill");

    [Theory]
    [InlineData("rect { fill: red } .a { fill: blue }", "<rect id='x' class='a b' fill='green'/>", "blue")]
    [InlineData("#x { fill: blue } rect.a { fill: red }", "<rect id='x' class='a'/>", "blue")]
    [InlineData("rect { fill: red !important }", "<rect id='x' style='fill:blue'/>", "red")]
    [InlineData("rect { fill: red }", "<rect id='x' style='fill:blue'/>", "blue")]
    [InlineData("g > rect:nth-child(2) { fill: red }", "<g><circle/><rect id='x'/></g>", "red")]
    [InlineData("g rect { fill: red }", "<g><g><rect id='x'/></g></g>", "red")]
    [InlineData("circle + rect { fill: red }", "<circle/><rect id='x'/>", "red")]
    [InlineData("rect:not(.b) { fill: red }", "<rect id='x'/>", "red")]
    [InlineData("@media print { rect { fill: red } } @media screen { rect { fill: blue } }", "<rect id='x'/>", "blue")]
    [InlineData("circle rect { fill: red }", "<rect id='x'/>", null)]
    public void Rules_are_written_onto_the_elements_they_pick(string css, string inside, string? fill) => Assert.Equal(Norm(fill), Norm(Fill(css, inside)));

    [Theory]
    [InlineData(":root { --c: #123456 } rect { fill: var(--c) }", "#123456")]
    [InlineData("rect { fill: var(--none, #abcdef) }", "#abcdef")]
    [InlineData(":root { --a: var(--b); --b: #010203 } rect { fill: var(--a) }", "#010203")]
    [InlineData(":root { --a: var(--a) } rect { fill: var(--a) }", null)]
    public void Custom_properties_are_resolved(string css, string? fill) => Assert.Equal(Norm(fill), Norm(Fill(css, "<rect id='x'/>")));

    // Worked out with the sample code of CSS Color level 4.
    [Theory]
    [InlineData("rgb(0 80 255 / 50%)", "rgba(0,80,255,0.5)")]
    [InlineData("hsl(120deg 100% 25%)", "rgba(0,128,0,1)")]
    [InlineData("hwb(0 20% 20%)", "rgba(204,51,51,1)")]
    [InlineData("oklch(0.628 0.2577 29.23)", "rgba(255,0,0,1)")]
    [InlineData("oklab(1 0 0)", "rgba(255,255,255,1)")]
    [InlineData("lab(54.29 80.82 69.91)", "rgba(255,0,0,1)")]
    [InlineData("color(srgb 1 0.5 0)", "rgba(255,128,0,1)")]
    [InlineData("color(display-p3 1 1 1)", "rgba(255,255,255,1)")]
    public void Modern_colours_are_written_the_old_way(string colour, string expected) =>
        Assert.Equal(expected, Svg.Read($"<rect id='x' fill='{colour}'/>").Layer("x").Element.Style("fill"));

    [Fact]
    public void A_drop_shadow_is_written_as_the_steps_that_define_it()
    {
        var drawing = Svg.Read("<filter id='f'><feDropShadow dx='1' dy='2' stdDeviation='3' flood-color='red' flood-opacity='.4'/></filter><rect id='x' filter='url(#f)'/>");
        var steps = drawing.Definitions["f"].Element.Elements.ToList();
        Assert.Equal(["feGaussianBlur", "feOffset", "feFlood", "feComposite", "feMerge"], steps.Select(s => s.Name));
        Assert.Equal(("SourceGraphic", "3"), (steps[0]["in"], steps[0]["stdDeviation"]));
        Assert.Equal(("1", "2"), (steps[1]["dx"], steps[1]["dy"]));
        Assert.Equal(("red", ".4"), (steps[2]["flood-color"], steps[2]["flood-opacity"]));
        Assert.Equal("SourceGraphic", steps[4].Elements.Last()["in"]);
    }

    [Fact]
    public void What_cannot_be_kept_is_said_for_its_layer()
    {
        var drawing = Svg.Read("<g id='a'><text id='t' textLength='40'>Hi</text></g><image id='w' href='data:image/webp;base64,UklGRg=='/><image id='j' href='data:image/jpg;base64,/9j/4AAQ'/>");
        Assert.Contains(drawing.Notes, n => n.Layer == drawing.Layer("t").Ordinal && n.Sentence.Contains("textLength", StringComparison.Ordinal));
        Assert.Contains(drawing.Notes, n => n.Layer == drawing.Layer("w").Ordinal && n.Sentence.Contains("WebP", StringComparison.Ordinal));
        Assert.StartsWith("data:image/jpeg;base64,", drawing.Layer("j").Element["href"], StringComparison.Ordinal);
    }

    // The style sheet reader may write plain colours as rgb().
    private static string? Norm(string? colour) => colour?.Replace(" ", "", StringComparison.Ordinal) switch
    {
        "rgb(255,0,0)" => "red",
        "rgb(0,0,255)" => "blue",
        "rgb(18,52,86)" => "#123456",
        "rgb(171,205,239)" => "#abcdef",
        "rgb(1,2,3)" => "#010203",
        var c => c,
    };

    [Theory]
    // A value that a repeat says itself, or what is around it; one that is the same, or set inside of what is repeated, is none.
    [InlineData("<use id='x' href='#star' style='--star:#080'/>", true)]
    [InlineData("<g style='--star:#080'><use id='x' href='#star'/></g>", true)]
    [InlineData("<use id='x' href='#star'/>", false)]
    [InlineData("<use id='x' href='#star' style='--moon:#080'/>", false)]
    [InlineData("<use id='x' href='#own' style='--star:#080'/>", false)]
    [InlineData("<style>:root{--star:#fc6}</style><use id='x' href='#star' style='--star:#080'/>", true)]
    [InlineData("<style>:root{--star:#fc6}</style><use id='x' href='#own' style='--star:#080'/>", false)]
    public void Values_of_a_repeat_are_for_the_exact_engine(string repeat, bool isBeyond)
    {
        var drawing = Svg.Read($"<defs><path id='star' d='M0 0h9v9z' style='fill:var(--star,#fc6)'/><g id='own' style='--star:#fff'><path d='M0 0h9v9z' style='fill:var(--star)'/></g></defs>{repeat}");
        Assert.Equal(isBeyond, drawing.Layers.Last().Element.Beyond is not null);
    }

    [Theory]
    [InlineData("<circle id='x' r='9'><animate attributeName='r' to='20' dur='3s'/></circle>")]
    [InlineData("<text id='x' textLength='40'>Wren<animate attributeName='y' to='20' dur='3s'/></text>")]
    [InlineData("<style>@keyframes rise{from{opacity:0}to{opacity:1}} .moon{animation:rise 2s}</style><circle id='x' class='moon' r='9'/>")]
    public void What_moves_is_told(string drawing) => Assert.Contains(Svg.Read(drawing).Notes, n => n is { Layer: not null, IsBeyond: false } && n.Sentence.StartsWith("It moves", StringComparison.Ordinal));

    [Theory]
    [InlineData("<style>g{&>rect{fill:#c30}} /* a & b */</style>")]
    [InlineData("<style><![CDATA[g{&>rect{fill:#c30}}]]></style>")]
    [InlineData("<style>g{&amp;>rect{fill:#c30}}</style>")]
    [InlineData("<style>rect{fill:#036}</style><style>g{&>rect{fill:#c30}}</style>")]
    public void Nesting_is_read_as_it_is_written_in_a_page(string style)
    {
        var file = Encoding.UTF8.GetBytes($"<svg xmlns='http://www.w3.org/2000/svg' viewBox='0 0 9 9'>{style}<g><rect id='x' width='9' height='9'/></g></svg>");
        var drawing = SvgReader.Read(file, "Drawing");
        var x = drawing.Layers.Single(l => l.Name == "x");
        Assert.True(x.Element.Style("fill") == "#c30" || drawing.Root.Beyond is not null);
        // The exact engine finds it at the same place.
        Assert.Contains("rect{fill:#c30}", SourceDocument.Of(file, new(drawing.Source!, x.Element.At, [], [], drawing.Box, drawing.Box, 9, 9, null)), StringComparison.Ordinal);
    }

    [Fact]
    public void Entities_stay_what_they_stand_for_and_millions_of_ampersands_take_no_time()
    {
        DrawingTree Read(string style) => SvgReader.Read(Encoding.UTF8.GetBytes($"<!DOCTYPE svg [<!ENTITY ns_ink '#c30'>]><svg xmlns='http://www.w3.org/2000/svg' viewBox='0 0 9 9'><style>{style}</style><rect id='x' width='9' height='9'/></svg>"), "Drawing");
        Assert.Equal("rgb(204, 51, 0)", Read("rect{fill:&ns_ink;} & g{fill:red}").Layers.Single(l => l.Name == "x").Element.Style("fill"));
        Assert.Equal(30_000_000, BareAmpersands.Escape(Encoding.UTF8.GetBytes($"<style>{new string('&', 6_000_000)}</style>")).Length - "<style></style>".Length);
    }

    [Theory]
    [InlineData("width='100%' height='100%'", "<rect x='10' y='20' width='80' height='30'/><g transform='translate(40 0)'><circle cx='40' cy='40' r='20' stroke='#000' stroke-width='4'/></g><defs><rect width='900' height='900'/></defs>", 102, 62)]
    [InlineData("", "<image width='20.5' height='30'/><rect width='100%' height='100%'/>", 21, 30)]
    [InlineData("width='300'", "<rect width='20' height='30'/>", 300, 30)]
    [InlineData("style='width:50%'", "<svg width='40' height='50'><rect width='900' height='900'/></svg><path display='none' d='M0 0h999v999'/>", 40, 50)]
    public void A_drawing_without_a_size_is_as_large_as_what_is_drawn(string size, string inside, double width, double height)
    {
        var drawing = SvgReader.Read(Encoding.UTF8.GetBytes($"<svg xmlns='http://www.w3.org/2000/svg' {size}>{inside}</svg>"), "Drawing");
        Assert.Equal(new(0, 0, width, height), drawing.Box);
        Assert.Single(drawing.Notes, n => n.Layer is null);
    }
}
