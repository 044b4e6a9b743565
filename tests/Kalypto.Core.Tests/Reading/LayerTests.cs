using Kalypto.Core.Deciding;
using Kalypto.Core.Designs;

namespace Kalypto.Core.Tests.Reading;

public class LayerTests
{
    [Fact]
    public void Layers_are_what_is_painted_in_document_order()
    {
        var drawing = Svg.Read("""
            <defs><path id='not-a-layer'/></defs>
            <g id='a'><rect id='b'/><text id='c'>Hi <tspan>there</tspan></text></g><image id='d'/><use id='e' href='#b'/><symbol><circle/></symbol>
            """);
        Assert.Equal(["Drawing", "a", "b", "c", "d", "e"], drawing.Layers.Select(l => l.Name));
        Assert.Equal(
            [LayerContent.Screen, LayerContent.Group, LayerContent.Shape, LayerContent.Text, LayerContent.Image, LayerContent.Repeat],
            drawing.Layers.Select(l => l.Content));
        Assert.Equal([0, 1, 2, 3, 4, 5], drawing.Layers.Select(l => l.Ordinal));
        Assert.Equal("a", drawing.Layer("c").Parent!.Name);
    }

    [Theory]
    [InlineData("<rect xmlns:q='urn:q' q:label='L' data-name='D' aria-label='A' id='I'><title>T</title></rect>", "L", NameSource.Given)]
    [InlineData("<rect data-name='D' aria-label='A' id='I'><title>T</title></rect>", "D", NameSource.Given)]
    [InlineData("<rect aria-label='A' id='I'><title>T</title></rect>", "A", NameSource.Given)]
    [InlineData("<rect id='I'><title>T &amp; co</title></rect>", "T & co", NameSource.Given)]
    [InlineData("<rect id='I'/>", "I", NameSource.Id)]
    [InlineData("<text> Book  a <tspan>place</tspan></text>", "Book a place", NameSource.Words)]
    [InlineData("<rect/>", "rect", NameSource.None)]
    public void Names_come_from_the_first_source_that_has_one(string element, string name, NameSource source)
    {
        var layer = Svg.Read(element).Layers[1];
        Assert.Equal((name, source), (layer.Name, layer.NameSource));
    }

    [Fact]
    public void Hidden_locked_and_guides_are_seen_from_attributes_and_styles()
    {
        var drawing = Svg.Read("""
            <style>.off { display: none }</style>
            <g id='a' class='off'><rect id='b'/></g><rect id='c' visibility='hidden'/><rect id='d' xmlns:x='urn:x' x:locked='true'/>
            <g data-name='Layout Grid'/><g data-name='lines' data-guide=''/><rect id='plain'/>
            """);
        Assert.True(drawing.Layer("a").Hidden);
        Assert.False(drawing.Layer("b").Hidden);
        Assert.True(drawing.Layer("b").HiddenHere);
        Assert.True(drawing.Layer("c").Hidden);
        Assert.True(drawing.Layer("d").Locked);
        Assert.True(drawing.Layer("Layout Grid").Guide);
        Assert.True(drawing.Layer("lines").Guide);
        Assert.False(Svg.Read("<text y='9'>Guide</text>").Layer("Guide").Guide);
        Assert.False(Svg.Read("<g id='grid'><rect width='4' height='4'/><text y='9'>Moon lamp</text></g>").Layer("grid").Guide);
        Assert.True(drawing.Layer("plain") is { Hidden: false, Locked: false, Guide: false });
    }

    [Fact]
    public void Screens_are_nested_drawings_else_views_else_the_whole()
    {
        var nested = Svg.Read("<svg id='one' width='40' height='90'/><svg id='one' x='50' width='40' height='90'/>").Screens;
        Assert.Equal(["one", "one 2"], nested.Select(s => s.Name));
        Assert.Equal(new Box(50, 0, 40, 90), nested[1].Box);

        var views = Svg.Read("<view id='left' viewBox='0 0 50 100'/><view id='right' viewBox='50 0 50 100'/><rect id='r'/>");
        Assert.Equal([new Box(0, 0, 50, 100), new Box(50, 0, 50, 100)], views.Screens.Select(s => s.Box));
        var measured = new MeasuredDrawing(views, [null, new Box(60, 10, 30, 30), null, null]);
        Assert.Equal("right", measured.ScreenOf(views.Layer("r"))!.Name);

        Assert.Equal(new Box(0, 0, 100, 100), Assert.Single(Svg.Read("<rect/>").Screens).Box);

        // Icons and a picture on a screen are none; a few screens on a ground are.
        var phone = Svg.Read("<rect width='375' height='812'/><svg id='bell' x='20' y='20' width='24' height='24'/><svg id='sky' y='90' width='375' height='200'/>", "viewBox='0 0 375 812'");
        Assert.Equal((1, LayerContent.Group), (phone.Screens.Length, phone.Layer("bell").Content));
        Assert.Equal(["a", "b"], Svg.Read("<rect width='900' height='1000'/><svg id='a' width='375' height='812'/><svg id='b' x='400' width='375' height='812'/><svg id='bell' x='800' width='24' height='24'/>", "viewBox='0 0 900 1000'").Screens.Select(s => s.Name));
    }

    [Fact]
    public void A_drawing_of_5000_layers_keeps_them_all()
    {
        var drawing = Svg.Read(string.Concat(Enumerable.Range(0, 5000).Select(i => $"<g id='g{i}'><rect width='{i}' height='1'/></g>")));
        Assert.Equal(10_001, drawing.Layers.Length);
        Assert.Equal(5000, drawing.Layers.Select(l => l.Element.Fingerprint).Where((_, i) => i % 2 == 1).Distinct().Count());
    }
}
