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
    [InlineData("<pattern id='p' width='9' height='9'><circle r='3'/></pattern>")]
    [InlineData("<pattern id='p' href='#p'/>")]
    [InlineData("<pattern id='p'><use href='#q'/></pattern><g id='q'><use href='#q2'/></g><g id='q2'/>")]
    [InlineData("<linearGradient id='p'/>")]
    public void Other_paints_are_none(string pattern) => Assert.Equal(LayerContent.Shape, Svg.Read(Filled(pattern)).Layer("x").Content);
}
