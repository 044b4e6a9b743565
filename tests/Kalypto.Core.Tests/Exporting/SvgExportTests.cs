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
        return SvgExport.Of(Isolation.Of(drawing, drawing.Layer(layer)), crop ?? new(0, 0, 24, 24), 24, 24, ground, credit);
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
        Assert.Contains("viewBox=\"-1 0 12 12\"", svg, StringComparison.Ordinal);
        Assert.Contains("<path fill=\"#fff\" d=\"M-1 0h12v12H-1z\"/>", svg, StringComparison.Ordinal);
        Assert.Contains("© Larkrise & Co", XDocument.Parse(svg).Root!.Elements().First().Value, StringComparison.Ordinal);
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
