using System.Xml.Linq;
using Kalypto.Core.Designs;
using Kalypto.Core.Exporting;
using Kalypto.Core.Formats;
using Kalypto.Core.Isolating;

namespace Kalypto.Core.Tests.Exporting;

public class SvgExportTests
{
    private static string Export(string inside, string layer, Box? crop = null, string? ground = null, CreditLines? credit = null)
    {
        var drawing = Svg.Read(inside);
        return SvgExport.Of(Isolation.Of(drawing, drawing.Layer(layer)), crop ?? new(0, 0, 24, 24), 24, 24, new(ground) { Credit = credit ?? CreditLines.None });
    }

    [Theory]
    // Groups that say nothing go, transforms stand in the numbers, defaults and leftovers go.
    [InlineData("<g id='a' transform='translate(2 3)'><path id='b' data-x='1' class='c' fill='#000000' stroke='none' d='M 0 0 L 4 0 L 4 4 Z'/></g>", "a", "<path d=\"M2 3h4v4z\"/>")]
    [InlineData("<g fill='rgb(255,0,0)'><g><rect id='a' x='1' y='2' width='3' height='4'/></g></g>", "a", "<path d=\"M1 2h3v4H1z\" fill=\"red\"/>")]
    [InlineData("<g id='a' opacity='.5'><path fill='#abc' d='M0 0h1'/><path fill='#aabbcc' d='M0 1h1'/></g>", "a", "<g opacity=\".5\" fill=\"#abc\"><path d=\"M0 0h1\"/><path d=\"M0 1h1\"/></g>")]
    [InlineData("<path id='a' style='fill:rgba(0,0,0,.5);-own-stroke:none' d='M0 0h1v1z'/>", "a", "<path d=\"M0 0h1v1z\" fill-opacity=\".5\"/>")]
    [InlineData("<path id='a' transform='scale(2)' stroke='#000' fill='none' stroke-width='1.5' d='M1 1h3'/>", "a", "<path stroke=\"#000\" fill=\"none\" stroke-width=\"3\" d=\"M2 2h6\"/>")]
    // A stroke that is stretched one way only keeps its transform.
    [InlineData("<path id='a' transform='scale(2 1)' stroke='#000' d='M1 1h3'/>", "a", "<path transform=\"scale(2 1)\" stroke=\"#000\" d=\"M1 1h3\"/>")]
    [InlineData("<circle id='a' cx='5' cy='5.00001' r='4' fill='#ffffff'/>", "a", "<circle cx=\"5\" cy=\"5\" r=\"4\" fill=\"#fff\"/>")]
    [InlineData("<g id='a' opacity='.5'><path d='M0 0h1v1z'/><path d='M1 1h1v1z'/></g>", "a", "<g opacity=\".5\"><path d=\"M0 0h1v1z\"/><path d=\"M1 1h1v1z\"/></g>")]
    public void A_layer_is_written_in_few_characters(string inside, string layer, string expected) => Assert.Equal(
        $"<svg xmlns=\"http://www.w3.org/2000/svg\" width=\"24\" height=\"24\" viewBox=\"0 0 24 24\">{expected}</svg>", Export(inside, layer));

    [Theory]
    [InlineData("<rect id='a' x='2pc' y='24pt' width='4' height='4'/>", "M22 22h4v4h-4z")]
    [InlineData("<circle id='a' cx='.5in' cy='3pc' r='4'/>", "cx=\"38\" cy=\"38\"")]
    [InlineData("<text id='a' x='2pc 3pc' y='2pc'>ab</text>", "x=\"22 38\" y=\"22\"")]
    [InlineData("<g id='a' style='transform:translate(30px,30px)'><path d='M0 0h4v4z'/></g>", "transform=\"translate(-10")]
    public void What_lies_elsewhere_is_moved_to_the_corner_whatever_says_where(string inside, string expected) =>
        Assert.Contains(expected, Export(inside, "a", new(10, 10, 24, 24)), StringComparison.Ordinal);

    [Fact]
    public void What_is_turned_within_an_effect_that_counts_from_its_box_stays_turned()
    {
        string Written(string transform) => Export($"<filter id='f'><feGaussianBlur stdDeviation='1'/></filter><g id='a' filter='url(#f)'><path transform='{transform}' d='M1 1l20 9'/></g>", "a");
        Assert.Contains("rotate(30)", Written("rotate(30)"), StringComparison.Ordinal);
        Assert.DoesNotContain("transform", Written("translate(3 4)"), StringComparison.Ordinal);
    }

    [Fact]
    public void Only_needed_definitions_come_along_under_short_ids()
    {
        var svg = Export("<defs><linearGradient id='sunset-gradient'><stop stop-color='red'/></linearGradient><linearGradient id='other'/><clipPath id='c-l-i-p'><circle r='9'/></clipPath></defs>"
            + "<g id='g' clip-path='url(#c-l-i-p)'><rect id='a' width='9' height='9' fill='url(#sunset-gradient)'/></g>", "a");
        var ids = XDocument.Parse(svg).Descendants().Select(e => (string?)e.Attribute("id")).Where(i => i is not null).ToList();
        Assert.Equal(["a", "b"], ids.Order());
        Assert.DoesNotContain("sunset", svg, StringComparison.Ordinal);
        Assert.Contains("url(#a)", svg, StringComparison.Ordinal);
        Assert.Contains("url(#b)", svg, StringComparison.Ordinal);
    }

    [Fact]
    public void Text_keeps_its_font_and_its_blanks()
    {
        var svg = Export("<g font-family='Larkrise Sans'><text id='a' x='2' y='9' xml:space='preserve'>a  <tspan font-weight='700'>b &amp; c</tspan></text></g>", "a");
        Assert.Contains("font-family=\"Larkrise Sans\"", svg, StringComparison.Ordinal);
        Assert.Contains(">a  <tspan font-weight=\"700\">b &amp; c</tspan></text>", svg, StringComparison.Ordinal);
    }

    [Fact]
    public void Ground_lies_under_and_credit_goes_along()
    {
        var svg = Export("<path id='a' d='M0 0h1v1z'/>", "a", new(-1, 0, 12, 12), "#ffffff", new("© Larkrise & Co", "Ann", ""));
        Assert.Contains("viewBox=\"0 0 12 12\"", svg, StringComparison.Ordinal);
        Assert.Contains("<path fill=\"#fff\" d=\"M0 0h12v12H0z\"/>", svg, StringComparison.Ordinal);
        Assert.Contains("© Larkrise & Co", XDocument.Parse(svg).Root!.Elements().First().Value, StringComparison.Ordinal);
    }

    // Each is drawn at two places: with its numbers as they are, and with all of them moved.
    [Theory]
    [InlineData("<path id='a' d='M{X} {Y}l9 4a3 2 10 0 1 4 4z'/>")]
    [InlineData("<g id='a' transform='translate({X} {Y})'><circle cx='4' cy='4' r='3' stroke='red'/><rect x='1' y='1' width='9' height='9' rx='2'/></g>")]
    [InlineData("<g id='a' transform='translate({X} {Y}) rotate(30)' stroke='#123'><path d='M0 0h9'/><line x1='1' y1='2' x2='3' y2='9'/></g>")]
    [InlineData("<linearGradient id='g' gradientUnits='userSpaceOnUse' x1='{X}' y1='{Y}' x2='{X+9}' y2='{Y}'><stop stop-color='red'/></linearGradient><path id='a' fill='url(#g)' d='M{X} {Y}h9v9z'/>")]
    [InlineData("<linearGradient id='g' gradientUnits='userSpaceOnUse' x2='9' gradientTransform='translate({X} {Y}) scale(2)'><stop stop-color='red'/></linearGradient><g id='a' fill='url(#g)'><path d='M{X} {Y}h9v9z'/><path d='M{X} {Y}h9v5z'/></g>")]
    [InlineData("<radialGradient id='h' gradientUnits='userSpaceOnUse' r='9'><stop stop-color='red'/></radialGradient><radialGradient id='g' href='#h' cx='{X}' cy='{Y}' r='5'/><path id='a' fill='url(#g)' d='M{X} {Y}h9v9z'/>")]
    [InlineData("<clipPath id='c'><circle cx='{X}' cy='{Y}' r='5'/></clipPath><g id='a' clip-path='url(#c)'><path d='M{X} {Y}h9v9z'/></g>")]
    [InlineData("<mask id='m' maskUnits='userSpaceOnUse' x='{X}' y='{Y}' width='9' height='9'><path fill='#fff' d='M{X} {Y}h9v9z'/></mask><g id='a' mask='url(#m)'><path d='M{X} {Y}h9v9z'/></g>")]
    [InlineData("<filter id='f' filterUnits='userSpaceOnUse' x='{X}' y='{Y}' width='9' height='9'><feOffset dx='2' dy='3'/><feFlood x='{X}' y='{Y}'/></filter><g id='a' filter='url(#f)'><path d='M{X} {Y}h9v9z'/></g>")]
    [InlineData("<pattern id='p' patternUnits='userSpaceOnUse' width='4' height='4' patternTransform='translate({X} {Y})'><path d='M0 0h2v2z'/></pattern><path id='a' fill='url(#p)' d='M{X} {Y}h9v9z'/>")]
    [InlineData("<pattern id='p' width='1' height='1' patternContentUnits='objectBoundingBox'><path d='M0 0h1v1z'/></pattern><path id='a' fill='url(#p)' d='M{X} {Y}h9v9z'/>")]
    [InlineData("<g id='a'><image x='{X}' y='{Y}' width='9' height='9' href='data:image/png;base64,AA=='/><text x='{X} {X+9}' y='{Y}'>a<tspan x='{X}'>b</tspan></text></g>")]
    public void A_layer_that_is_moved_gives_the_same_bytes_and_begins_at_the_corner(string inside)
    {
        string At(int x, int y) => Export(inside.Replace("{X}", $"{x}", StringComparison.Ordinal).Replace("{Y}", $"{y}", StringComparison.Ordinal).Replace("{X+9}", $"{x + 9}", StringComparison.Ordinal), "a", new(x - 2, y - 2, 24, 24));
        var (first, moved) = (At(2, 2), At(77, 40));
        Assert.Contains("viewBox=\"0 0 24 24\"", moved, StringComparison.Ordinal);
        Assert.Equal(first, moved);
        Assert.DoesNotContain("<svg", moved[4..], StringComparison.Ordinal);
        // What counts from the box of what it paints is where that is.
        Assert.True(!inside.Contains("objectBoundingBox", StringComparison.Ordinal) || !moved.Contains("patternTransform", StringComparison.Ordinal), moved);
    }

    [Theory]
    [InlineData("x='40' y='20' width='50' height='50' viewBox='0 0 50 50'", 42)]
    [InlineData("x='40' y='20' width='50' height='100' viewBox='10 10 100 100'", 38)]
    [InlineData("x='40' y='20' width='50' height='50' viewBox='0 0 100 50' preserveAspectRatio='none'", 42)]
    public void A_screen_that_is_a_box_of_its_own_leaves_no_box_in_the_file(string box, double left)
    {
        var svg = Export($"<svg id='Tonight' {box}><path id='a' d='M4 4h9v9z'/></svg>", "a", new(left, 0, 24, 80));
        Assert.DoesNotContain("<svg", svg[4..], StringComparison.Ordinal);
        Assert.DoesNotContain("transform", svg, StringComparison.Ordinal);
    }

    [Fact]
    public void What_cannot_be_moved_number_by_number_is_moved_as_a_whole()
    {
        var svg = Export("<filter id='f'><feTurbulence/></filter><g id='a' filter='url(#f)'><path d='M50 50h9v9z'/></g>", "a", new(48, 48, 24, 24));
        Assert.Contains("<g transform=\"translate(-48 -48)\">", svg, StringComparison.Ordinal);
        Assert.Contains("M50 50", svg, StringComparison.Ordinal);
        // What is drawn and shown a second time is not moved twice.
        var twice = Export("<g id='a'><path id='dot' d='M50 50h3v3z'/><use href='#dot' x='9'/></g>", "a", new(48, 48, 24, 24));
        Assert.Contains("translate(-48 -48)", twice, StringComparison.Ordinal);
        Assert.Contains("x=\"9\"", twice, StringComparison.Ordinal);
    }

    [Fact]
    public void What_is_used_again_within_what_is_used_is_written_once()
    {
        const string Star = "<defs><g id='row'><g id='pair'><path id='star' d='M0 0l9 4-3 3z'/><use href='#star' x='9'/></g><use href='#pair' y='9'/></g></defs><g id='a'><use href='#row'/><use href='#star' x='40'/></g>";
        var svg = Export(Star, "a");
        var ids = XDocument.Parse(svg).Descendants().Select(e => (string?)e.Attribute("id")).Where(i => i is not null).ToList();
        Assert.Equal(ids.Distinct(), ids);
        Assert.Single(XDocument.Parse(svg).Descendants(), e => e.Name.LocalName == "path");
        Assert.True(svg.Length < Star.Length + 120, svg);
        // What lies in the layer itself is not defined a second time.
        var inside = Export("<g id='a'><path id='dot' d='M0 0l9 4-3 3z'/><use href='#dot' x='9'/></g>", "a");
        Assert.Single(XDocument.Parse(inside).Descendants(), e => e.Name.LocalName == "path");
    }

    [Theory]
    [InlineData("<path id='a' fill='#173a45' d='M0 0h9z'/>", "<path fill=\"currentColor\" d=\"M0 0h9z\"/>")]
    [InlineData("<g id='a' stroke='#000'><path d='M0 0h9z'/><path fill='none' d='M0 1h9'/></g>", "stroke=\"currentColor\"")]
    [InlineData("<path id='a' d='M0 0h9z'/>", "<svg xmlns=\"http://www.w3.org/2000/svg\" width=\"24\" height=\"24\" viewBox=\"0 0 24 24\" fill=\"currentColor\">")]
    [InlineData("<g id='a'><path d='M0 0h9z'/><path fill='red' d='M0 1h9'/></g>", null)]
    public void A_drawing_of_one_colour_can_take_that_of_the_text_around_it(string inside, string? holds)
    {
        var drawing = Svg.Read(inside);
        var svg = SvgExport.Of(Isolation.Of(drawing, drawing.Layer("a")), new(0, 0, 24, 24), 24, 24, new() { TakesColour = true });
        Assert.Contains(holds ?? "red", svg, StringComparison.Ordinal);
        Assert.Equal(holds is not null, svg.Contains("currentColor", StringComparison.Ordinal));
        Assert.DoesNotContain("#000", holds is null ? "" : svg, StringComparison.Ordinal);
    }

    [Fact]
    public void A_sprite_holds_a_symbol_each_and_no_id_twice()
    {
        var svg = Export("<defs><linearGradient id='g'><stop stop-color='red'/></linearGradient></defs><rect id='a' width='9' height='9' fill='url(#g)'/>", "a");
        var sprite = XDocument.Parse(SvgSprite.Write([("bell", svg), ("moon", svg)]));
        Assert.Equal(["bell", "bell-a", "moon", "moon-a"], sprite.Descendants().Select(e => (string?)e.Attribute("id")).Where(i => i is not null).Order());
        Assert.Contains(sprite.Descendants(), e => (string?)e.Attribute("fill") == "url(#moon-a)");
        Assert.All(sprite.Root!.Elements(), s => Assert.Equal("0 0 24 24", (string?)s.Attribute("viewBox")));
    }
}
