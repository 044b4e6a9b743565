using Kalypto.Core.Designs;

namespace Kalypto.Core.Tests.Reading;

public class TurnedBoxTests
{
    private const string Gradient = "<defs><linearGradient id='g' x2='50%' gradientTransform='scale(2 1)'><stop stop-color='red'/><stop offset='1'/></linearGradient><clipPath id='c' clipPathUnits='objectBoundingBox'><rect width='.5' height='1'/></clipPath></defs>";

    private static string? PaintOf(DrawingTree drawing, string layer) => drawing.Layer(layer).Element["fill"];

    [Fact]
    public void A_gradient_over_the_box_of_what_is_turned_gets_plain_coordinates_and_equal_boxes_share_one()
    {
        var drawing = Svg.Read(Gradient + "<g transform='rotate(30)'><rect id='a' x='10' y='20' width='30' height='40' fill='url(#g)'/><rect id='b' x='10' y='20' width='30' height='40' fill='url(#g) red'/></g><rect id='straight' width='9' height='9' transform='scale(2)' fill='url(#g)'/>");
        Assert.Equal("url(#g)", PaintOf(drawing, "straight"));
        Assert.Equal("url(#g-1)", PaintOf(drawing, "a"));
        Assert.Equal("url(#g-1) red", PaintOf(drawing, "b"));
        var copy = drawing.Definitions["g-1"].Element;
        Assert.Equal(("userSpaceOnUse", "#g", "matrix(60 0 0 40 10 20)"), (copy["gradientUnits"], copy["href"], copy["gradientTransform"]));
        Assert.Equal(("0", "0", "0.5", "0"), (copy["x1"], copy["y1"], copy["x2"], copy["y2"]));
        Assert.Equal(2, drawing.Definitions["g"].Element.Elements.Count());
    }

    [Fact]
    public void The_paint_that_a_group_hands_down_is_rewritten_on_each_shape_and_styles_are_kept()
    {
        var drawing = Svg.Read(Gradient + "<style>.s{fill:url(#g);stroke:url(#g)}</style><g fill='url(#g)' transform='skewX(9)'><circle id='a' cx='5' cy='5' r='5'/><path id='b' class='s' d='M0 0h8v4z'/><line id='flat' x2='9'/></g>");
        Assert.Equal("url(#g-1)", PaintOf(drawing, "a"));
        Assert.Equal("matrix(20 0 0 10 0 0)", drawing.Definitions["g-1"].Element["gradientTransform"]);
        Assert.Equal(("url(#g-2)", "url(#g-2)"), (drawing.Layer("b").Element.Style("fill"), drawing.Layer("b").Element.Style("stroke")));
        // A line has no box to count from: it is not painted either way.
        Assert.Null(PaintOf(drawing, "flat"));
    }

    [Fact]
    public void What_cannot_be_rewritten_is_told()
    {
        var drawing = Svg.Read(Gradient + "<defs><circle id='leaf' r='4' fill='url(#g)'/></defs><g transform='rotate(9)'><text id='t' fill='url(#g)'>Tonight</text><rect id='r' width='9' height='9' clip-path='url(#c)'/><use href='#leaf'/></g><use href='#leaf'/><rect width='9' height='9' clip-path='url(#c)'/>");
        Assert.Equal(["A clip or mask on something turned", "A gradient in something repeated and turned", "A gradient on turned text"],
            drawing.Notes.Select(n => n.Sentence[..n.Sentence.IndexOf(" counts", StringComparison.Ordinal)]).Order());
    }
}
