using System.Xml.Linq;
using Kalypto.Core.Designs;
using Kalypto.Core.Exporting;
using Kalypto.Core.Isolating;

namespace Kalypto.Core.Tests.Exporting;

public class VectorDrawableTests
{
    private static readonly XNamespace Android = "http://schemas.android.com/apk/res/android";

    private static (string? Text, VectorRefusal? Refusal) Export(string inside, Box? crop = null)
    {
        var drawing = Svg.Read(inside);
        return VectorDrawable.Of(Isolation.Of(drawing, drawing.Layers.First(l => l.Name == "a")), crop ?? new(10, 10, 24, 24), 24, 24);
    }

    private static List<XElement> Paths(string inside) => [.. XDocument.Parse(Export(inside).Text!).Descendants("path")];

    private static string? Of(XElement path, string name) => (string?)path.Attribute(Android + name);

    [Fact]
    public void Shapes_become_paths_with_every_transform_in_their_numbers()
    {
        var path = Assert.Single(Paths("<g transform='translate(10 10) scale(2)'><rect id='a' x='1' y='1' width='4' height='3' fill='#1a2b3c' fill-opacity='.5' stroke='red' stroke-width='2'/></g>"));
        Assert.Equal("M2,2h8v6H2z", Of(path, "pathData"));
        Assert.Equal(("#801A2B3C", "#FFFF0000", "4"), (Of(path, "fillColor"), Of(path, "strokeColor"), Of(path, "strokeWidth")));
        var root = XDocument.Parse(Export("<path id='a' d='M0 0h9v9z'/>").Text!).Root!;
        Assert.Equal(("24dp", "24"), (Of(root, "width"), Of(root, "viewportHeight")));
        Assert.Equal("evenOdd", Of(Assert.Single(Paths("<path id='a' fill-rule='evenodd' d='M0 0h9v9z'/>")), "fillType"));
        Assert.Equal("round", Of(Assert.Single(Paths("<g stroke-linecap='round' fill='none' stroke='#000'><path id='a' d='M0 0h9'/></g>")), "strokeLineCap"));
    }

    [Fact]
    public void Opacity_is_multiplied_down_where_nothing_overlaps()
    {
        var paths = Paths("<g id='a' opacity='.5'><rect width='4' height='4' fill-opacity='.5'/><rect x='9' width='4' height='4'/></g>");
        Assert.Equal(["#40000000", "#80000000"], paths.Select(p => Of(p, "fillColor")));
    }

    [Fact]
    public void Clips_are_groups_and_repeats_are_written_out()
    {
        var document = XDocument.Parse(Export("<defs><clipPath id='c'><circle cx='20' cy='20' r='5'/></clipPath><path id='p' d='M0 0h2v2z'/></defs>"
            + "<g id='a' clip-path='url(#c)'><use href='#p' x='12' y='13'/></g>").Text!);
        Assert.StartsWith("M5,10", Of(document.Descendants("clip-path").Single(), "pathData"), StringComparison.Ordinal);
        Assert.Equal("M2,3h2v2z", Of(document.Descendants("path").Single(), "pathData"));
    }

    [Fact]
    public void Gradients_are_counted_in_the_viewport()
    {
        XNamespace aapt = "http://schemas.android.com/aapt";
        XElement Gradient(string gradient) => XDocument.Parse(Export($"<defs>{gradient}</defs><rect id='a' x='10' y='10' width='20' height='10' fill='url(#g)'/>").Text!).Descendants("gradient").Single();
        var linear = Gradient("<linearGradient id='g'><stop stop-color='red'/><stop offset='50%' stop-color='blue' stop-opacity='.5'/></linearGradient>");
        Assert.Equal("android:fillColor", (string?)linear.Parent!.Attribute("name"));
        Assert.Equal(aapt + "attr", linear.Parent.Name);
        Assert.Equal(("0", "0", "20", "0"), (Of(linear, "startX"), Of(linear, "startY"), Of(linear, "endX"), Of(linear, "endY")));
        Assert.Equal(["#FFFF0000", "#800000FF"], linear.Elements("item").Select(i => Of(i, "color")));
        var radial = Gradient("<radialGradient id='g' gradientUnits='userSpaceOnUse' cx='15' cy='16' r='3' spreadMethod='reflect'><stop stop-color='red'/></radialGradient>");
        Assert.Equal(("5", "6", "3", "mirror"), (Of(radial, "centerX"), Of(radial, "centerY"), Of(radial, "gradientRadius"), Of(radial, "tileMode")));
    }

    [Theory]
    [InlineData("<g id='a'><text>Hi</text><path d='M0 0h1v1z'/></g>", "text", true)]
    [InlineData("<g id='a'><text>Hi</text><image width='1' height='1' href='data:image/png;base64,'/></g>", "a picture", false)]
    [InlineData("<defs><filter id='f'><feGaussianBlur/></filter></defs><path id='a' filter='url(#f)' d='M0 0h1'/>", "blur or shadow", false)]
    [InlineData("<defs><mask id='m'/></defs><path id='a' mask='url(#m)' d='M0 0h1'/>", "a mask", false)]
    [InlineData("<defs><pattern id='p'/></defs><path id='a' fill='url(#p)' d='M0 0h1v1z'/>", "a pattern", false)]
    [InlineData("<path id='a' style='mix-blend-mode:multiply' d='M0 0h1'/>", "a blend mode", false)]
    [InlineData("<path id='a' stroke='red' stroke-dasharray='1 2' d='M0 0h1'/>", "dashed", false)]
    [InlineData("<path id='a' stroke='red' transform='scale(1 3)' d='M0 0h1'/>", "stretched", false)]
    [InlineData("<g id='a' opacity='.5'><rect width='4' height='4'/><rect x='2' width='4' height='4'/></g>", "overlap", false)]
    [InlineData("<defs><radialGradient id='g'><stop/></radialGradient></defs><rect id='a' width='4' height='2' fill='url(#g)'/>", "round gradient", false)]
    public void What_vectors_cannot_show_is_refused_with_the_reason(string inside, string why, bool isText)
    {
        var (text, refusal) = Export(inside);
        Assert.Null(text);
        Assert.Contains(why, refusal!.Why, StringComparison.Ordinal);
        Assert.Equal(isText, refusal.IsText);
    }
}
