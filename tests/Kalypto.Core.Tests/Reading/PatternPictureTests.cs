using Kalypto.Core.Deciding;
using Kalypto.Core.Designs;
using Kalypto.Core.Suggesting;
using Xunit;

namespace Kalypto.Core.Tests.Reading;

/// <summary>Most drawing programs write a photo as the pattern that fills a box.</summary>
public sealed class PatternPictureTests
{
    // 4 by 2 px.
    private const string Gif = "data:image/gif;base64,R0lGODlhBAACAIAAAP///wAAACH5BAAAAAAALAAAAAAEAAIAAAIDjI8FADs=";

    private static string Filled(string pattern, string box = "width='200' height='100'") =>
        $"<defs>{pattern}<image id='i' width='4' height='2' href='{Gif}'/></defs><rect id='x' {box} rx='9' fill='url(#p)'/>";

    [Theory]
    // The picture by way of a use, as a child, out of another pattern, in a group and turned upside down.
    [InlineData("<pattern id='p' patternContentUnits='objectBoundingBox' width='1' height='1'><use href='#i' transform='scale(.25 .5)'/></pattern>", 0.02)]
    [InlineData("<pattern id='p' patternUnits='userSpaceOnUse' width='200' height='100'><image width='200' height='100' href='@'/></pattern>", 0.02)]
    [InlineData("<pattern id='p' href='#q'/><pattern id='q' width='9' height='9' patternUnits='userSpaceOnUse'><g transform='scale(2 -2)'><use href='#i'/></g></pattern>", 0.5)]
    public void A_shape_that_a_picture_fills_is_a_photo_with_its_frame(string pattern, double density)
    {
        var drawing = Svg.Read(Filled(pattern.Replace("@", Gif, StringComparison.Ordinal)), "viewBox='0 0 400 400'");
        var layer = drawing.Layer("x");
        Assert.Equal(LayerContent.Image, layer.Content);
        Assert.Equal(density, PatternPicture.Of(layer.Element, id => drawing.Definitions.GetValueOrDefault(id)?.Element)!.Density(new(0, 0, 200, 100))!.Value, 4);

        // Every rule, suggestion and check knows it for what it is.
        var measured = new MeasuredDrawing(drawing, [.. drawing.Layers.Select(_ => (Box?)new Box(0, 0, 200, 100))]);
        Assert.Equal(1, measured.Contents[layer.Ordinal].Pictures);
        Assert.False(DecisionRule.IsPlain(layer));
        var state = new DesignState(1, "Design", 1, measured, new Dictionary<int, Mark>());
        Assert.Equal([layer], DecisionRule.All.Single(r => r.Id == "photos").Among(state, drawing.Layers));
        Assert.Equal("photo", Assert.Single(state.Suggested(), s => s.Layer == layer).Kind);
    }

    [Theory]
    // A repeat of a picture, by way of a symbol too; a picture that is the mask of a shape.
    [InlineData("<use id='x' href='#i' transform='scale(2)'/>", LayerContent.Image)]
    [InlineData("<symbol id='s'><g><use href='#i'/></g></symbol><use id='x' href='#s'/>", LayerContent.Image)]
    [InlineData("<mask id='m'><use href='#i' transform='scale(50)'/></mask><rect id='x' width='200' height='100' mask='url(#m)'/>", LayerContent.Image)]
    // With something beside it, it is a repeat like any other; without a picture, a shape.
    [InlineData("<symbol id='s'><use href='#i'/><path d='M0 0h1v1z'/></symbol><use id='x' href='#s'/>", LayerContent.Repeat)]
    [InlineData("<mask id='m'><circle r='50'/></mask><rect id='x' width='200' height='100' mask='url(#m)'/>", LayerContent.Shape)]
    public void Whatever_shows_one_picture_is_a_photo(string inside, LayerContent content)
    {
        var drawing = Svg.Read($"<defs><image id='i' width='4' height='2' href='{Gif}'/></defs>{inside}", "viewBox='0 0 400 400'");
        Assert.Equal(content, drawing.Layer("x").Content);
        Assert.Equal(content == LayerContent.Shape ? 0 : 1, LayerContents.OfAll(drawing)[drawing.Layer("x").Ordinal].Pictures);
        Assert.False(content != LayerContent.Shape && DecisionRule.IsPlain(drawing.Layer("x")));
    }

    [Theory]
    [InlineData("style='background:url(@)'", 3000, LayerContent.Image)]
    [InlineData("style='background:linear-gradient(red,blue)'", 3000, LayerContent.Group)]
    // A dot that repeats is no photo.
    [InlineData("style='background:url(@)'", 90, LayerContent.Group)]
    public void A_photo_in_the_background_of_a_page_inside_the_drawing_is_one(string style, int bytes, LayerContent content)
    {
        var page = $"<foreignObject width='90' height='60'><div xmlns='http://www.w3.org/1999/xhtml' {style.Replace("@", "data:image/jpeg;base64," + new string('A', bytes), StringComparison.Ordinal)}/></foreignObject>";
        var drawing = Svg.Read($"<g id='x'>{page}</g><g id='y'>{page}<path d='M0 0h9v9z'/></g>");
        Assert.Equal(content, drawing.Layer("x").Content);
        Assert.Equal(content == LayerContent.Image ? 1 : 0, LayerContents.OfAll(drawing)[drawing.Layer("x").Ordinal].Pictures);
        Assert.Equal(LayerContent.Group, drawing.Layer("y").Content);
    }

    [Theory]
    // Bytes for each pixel tell a photo, a sign, flat shapes and a plain ground.
    [InlineData(400, 300, 150_000, "photo")]
    [InlineData(400, 300, 6_000, "picture")]
    [InlineData(400, 300, 700, null)]
    [InlineData(24, 24, 300, "icon")]
    [InlineData(48, 48, 5_000, "photo")]
    public void A_layer_of_pixels_is_what_its_data_say(int width, int height, int bytes, string? kind)
    {
        byte[] png = [.. new byte[] { 0x89, 0x50, 0x4E, 0x47, 13, 10, 26, 10, 0, 0, 0, 13 }, .. "IHDR"u8, 0, 0, (byte)(width >> 8), (byte)width, 0, 0, (byte)(height >> 8), (byte)height, 8, 6, 0, 0, 0, .. new byte[bytes]];
        var drawing = Svg.Read($"<image id='x' width='{width}' height='{height}' href='data:image/png;base64,{Convert.ToBase64String(png)}'/>", "viewBox='0 0 800 800'");
        var measured = new MeasuredDrawing(drawing, [.. drawing.Layers.Select(_ => (Box?)new Box(0, 0, width, height))]);
        Assert.Equal(kind, new DesignState(1, "Design", 1, measured, new Dictionary<int, Mark>()).Suggested().SingleOrDefault(s => s.Layer == drawing.Layer("x"))?.Kind);
    }

    [Theory]
    [InlineData("<pattern id='p' width='9' height='9'><circle r='3'/></pattern>")]
    [InlineData("<pattern id='p' href='#p'/>")]
    [InlineData("<pattern id='p'><use href='#q'/></pattern><g id='q'><use href='#q2'/></g><g id='q2'/>")]
    [InlineData("<linearGradient id='p'/>")]
    public void Other_paints_are_none(string pattern) => Assert.Equal(LayerContent.Shape, Svg.Read(Filled(pattern)).Layer("x").Content);
}
