using Kalypto.Core.Designs;
using Kalypto.Core.Styling;
using Kalypto.Core.Styling.Code;

namespace Kalypto.Core.Tests.Styling;

public class ValuesReaderTests
{
    private static string Css(LayerValues values) => string.Join("; ", CssCode.Declarations(values, NoNames.One).Select(d => $"{d.Property}: {d.Value}"));

    [Theory]
    // A box is a box, however it was written.
    [InlineData("<rect id='it' x='10' y='20' width='40' height='30' rx='6' fill='#123456'/>", "width: 40px; height: 30px; background-color: #123456; border-radius: 6px")]
    [InlineData("<path id='it' d='M16 20H44A6 6 0 0 1 50 26V44A6 6 0 0 1 44 50H16A6 6 0 0 1 10 44V26A6 6 0 0 1 16 20Z' fill='#123456'/>", "width: 40px; height: 30px; background-color: #123456; border-radius: 6px")]
    [InlineData("<path id='it' d='M16 20h28c3.314 0 6 2.686 6 6v24H10V26c0-3.314 2.686-6 6-6z' fill='#fff'/>", "width: 40px; height: 30px; background-color: #fff; border-radius: 6px 6px 0 0")]
    [InlineData("<polygon id='it' points='10,20 50,20 50,50 10,50' fill='white'/>", "width: 40px; height: 30px; background-color: #fff")]
    [InlineData("<circle id='it' cx='30' cy='30' r='12' fill='#abc'/>", "width: 24px; height: 24px; background-color: #abc; border-radius: 12px")]
    [InlineData("<g id='it'><rect id='ground' x='10' y='20' width='40' height='30' rx='6' fill='#123456'/><rect id='dot' x='12' y='22' width='4' height='4'/></g>", "width: 40px; height: 30px; background-color: #123456; border-radius: 6px")]
    [InlineData("<g transform='translate(5 5) scale(2)'><rect id='it' width='10' height='10' rx='2' fill='#123'/></g>", "width: 20px; height: 20px; background-color: #123; border-radius: 4px")]
    [InlineData("<defs><rect id='face' width='10' height='10' fill='#123'/></defs><use id='it' href='#face' x='3'/>", "width: 10px; height: 10px; background-color: #123")]
    // The stroke of a drawing lies half outside, a border inside.
    [InlineData("<rect id='it' x='10' y='20' width='40' height='30' rx='6' fill='none' stroke='#123' stroke-width='2'/>", "width: 42px; height: 32px; box-sizing: border-box; border: 2px solid #123; border-radius: 7px")]
    [InlineData("<line id='it' x1='10' y1='20' x2='60' y2='20' stroke='#123' stroke-width='2'/>", "width: 50px; height: 2px; background-color: #123")]
    // What is handed down holds, and opacities multiply.
    [InlineData("<g opacity='.5' fill='#123' style='stroke:#456;stroke-width:2'><rect id='it' opacity='.5' width='10' height='10'/></g>", "width: 12px; height: 12px; box-sizing: border-box; border: 2px solid #456; background-color: #123; opacity: 25%")]
    [InlineData("<g color='#123'><rect id='it' width='10' height='10' fill='currentColor' fill-opacity='.2'/></g>", "width: 10px; height: 10px; background-color: rgb(17 34 51 / 20%)")]
    [InlineData("<rect id='it' width='10' height='10' style='mix-blend-mode:multiply' fill='#123'/>", "width: 10px; height: 10px; background-color: #123; mix-blend-mode: multiply")]
    [InlineData("<rect id='it' x='10' y='10' width='20' height='10' transform='rotate(30 20 15)' fill='#123'/>", "width: 20px; height: 10px; background-color: #123; transform: rotate(30deg)")]
    // What is no box keeps its outline.
    [InlineData("<path id='it' d='M10 10L30 10L20 30Z' fill='#123'/>", "width: 20px; height: 20px; background-color: #123; clip-path: path(\"M0 0L20 0L10 20Z\")")]
    public void Boxes_are_what_they_look_like(string inside, string css) => Assert.Equal(css, Css(Values.Of(inside)));

    [Theory]
    [InlineData("x2='0' y2='1'", "40 30", "linear-gradient(#123, #fff)")]
    [InlineData("", "40 30", "linear-gradient(90deg, #123, #fff)")]
    // On a box that is no square the lines of one colour lean; CSS draws them by the angle that they have in the end.
    [InlineData("x2='1' y2='1'", "40 20", "linear-gradient(153.43deg, #123, #fff)")]
    [InlineData("x1='0' x2='0' y1='.25' y2='.75'", "40 20", "linear-gradient(#123 25%, #fff 75%)")]
    [InlineData("gradientUnits='userSpaceOnUse' x1='0' x2='0' y1='0' y2='40'", "40 20", "linear-gradient(#123, #fff 200%)")]
    [InlineData("x2='1' gradientTransform='rotate(90)'", "20 20", "linear-gradient(#123, #fff)")]
    public void Gradients_are_those_of_css(string gradient, string size, string css)
    {
        var (width, height) = (size.Split(' ')[0], size.Split(' ')[1]);
        var values = Values.Of($"<defs><linearGradient id='g' {gradient}><stop stop-color='#123'/><stop offset='1' stop-color='#fff'/></linearGradient></defs><rect id='it' width='{width}' height='{height}' fill='url(#g)'/>");
        Assert.Contains($"background: {css}", Css(values), StringComparison.Ordinal);
    }

    [Fact]
    public void A_round_gradient_lies_where_it_was_drawn() => Assert.Contains("background: radial-gradient(20px 10px at center, rgb(0 0 0 / 50%), #fff)",
        Css(Values.Of("<defs><radialGradient id='g'><stop stop-opacity='.5'/><stop offset='1' stop-color='#fff'/></radialGradient></defs><rect id='it' width='40' height='20' fill='url(#g)'/>")), StringComparison.Ordinal);

    [Theory]
    // The short form, and how programs write it.
    [InlineData("<feDropShadow dx='0' dy='6' stdDeviation='8' flood-color='#0a0f26' flood-opacity='.45'/>", "0 6px 16px rgb(10 15 38 / 45%)")]
    [InlineData("<feFlood flood-opacity='0' result='b'/><feColorMatrix in='SourceAlpha' values='0 0 0 0 0 0 0 0 0 0 0 0 0 0 0 0 0 0 127 0' result='hard'/><feOffset dy='4'/><feGaussianBlur stdDeviation='2'/><feComposite in2='hard' operator='out'/><feColorMatrix values='0 0 0 0 0 0 0 0 0 0 0 0 0 0 0 0 0 0 .25 0'/><feBlend in2='b' result='s'/><feBlend in='SourceGraphic' in2='s'/>", "0 4px 4px rgb(0 0 0 / 25%)")]
    [InlineData("<feOffset in='SourceAlpha' dx='1' dy='2' result='o'/><feGaussianBlur in='o' stdDeviation='3' result='b'/><feFlood flood-color='#f00'/><feComposite in2='b' operator='in'/><feMerge><feMergeNode/><feMergeNode in='SourceGraphic'/></feMerge>", "1px 2px 6px #f00")]
    [InlineData("<feMorphology in='SourceAlpha' operator='dilate' radius='3'/><feOffset dy='1'/><feColorMatrix values='0 0 0 0 1 0 0 0 0 0 0 0 0 0 0 0 0 0 .5 0' result='s'/><feBlend in='SourceGraphic' in2='s'/>", "0 1px 0 3px rgb(255 0 0 / 50%)")]
    // Falling into the box.
    [InlineData("<feFlood flood-opacity='0' result='b'/><feBlend in='SourceGraphic' in2='b' result='shape'/><feColorMatrix in='SourceAlpha' values='0 0 0 0 0 0 0 0 0 0 0 0 0 0 0 0 0 0 127 0' result='hard'/><feOffset dy='4'/><feGaussianBlur stdDeviation='2'/><feComposite in2='hard' operator='arithmetic' k2='-1' k3='1'/><feColorMatrix values='0 0 0 0 0 0 0 0 0 0 0 0 0 0 0 0 0 0 .25 0'/><feBlend in2='shape'/>", "inset 0 4px 4px rgb(0 0 0 / 25%)")]
    public void Shadows_are_recognised_whoever_wrote_them(string steps, string shadow)
    {
        var values = Values.Of($"<defs><filter id='f'>{steps}</filter></defs><rect id='it' width='40' height='20' fill='#123' filter='url(#f)'/>");
        Assert.Empty(values.Beyond);
        Assert.Equal(shadow, CssCode.OfShadows(values.Shadows, CssCode.OfColour));
    }

    [Fact]
    public void A_blur_is_a_blur_and_what_is_neither_is_told()
    {
        Assert.Equal(3, Values.Of("<defs><filter id='f'><feGaussianBlur stdDeviation='3'/></filter></defs><rect id='it' width='40' height='20' filter='url(#f)'/>").Blur);
        Assert.Contains(Values.Of("<defs><filter id='f'><feTurbulence/></filter></defs><rect id='it' width='40' height='20' filter='url(#f)'/>").Beyond, b => b.Contains("neither a shadow nor a blur", StringComparison.Ordinal));
        Assert.Contains(Values.Of("<defs><pattern id='p'><path d='M0 0h1'/></pattern></defs><rect id='it' width='40' height='20' fill='url(#p)'/>").Beyond, b => b.Contains("pattern", StringComparison.Ordinal));
        Assert.Contains(Values.Of("<defs><clipPath id='c'><circle r='5'/></clipPath></defs><g clip-path='url(#c)'><rect id='it' width='40' height='20'/></g>").Beyond, b => b.Contains("cut", StringComparison.Ordinal));
        // An outline around all of it cuts nothing.
        Assert.Empty(Values.Of("<defs><clipPath id='c'><path d='M0 0H90V90H0z'/></clipPath></defs><g clip-path='url(#c)'><rect id='it' width='40' height='20'/></g>").Beyond);
    }

    [Fact]
    public void A_filter_that_lays_itself_over_itself_again_and_again_is_given_up()
    {
        var steps = string.Concat(Enumerable.Range(0, 60).Select(_ => "<feMerge><feMergeNode/><feMergeNode/></feMerge>"));
        Assert.Contains(Values.Of($"<defs><filter id='f'>{steps}</filter></defs><rect id='it' width='40' height='20' filter='url(#f)'/>").Beyond, b => b.Contains("neither a shadow nor a blur", StringComparison.Ordinal));
    }

    [Fact]
    public void Words_keep_their_lines_runs_and_baselines()
    {
        var values = Values.Of("""
            <g transform='translate(10 5)' font-family='"Fira Sans", sans-serif' font-size='10' fill='#123' letter-spacing='.5'><text id='it' y='10'>
               Open <tspan font-weight='bold' fill='#456'>until
               two</tspan><tspan x='0' dy='1.4em'>every  night </tspan></text></g>
            """);
        var text = values.Text!;
        Assert.Equal("Open until two\nevery night", text.Words);
        Assert.Equal([(10, 15), (10, 29)], text.Lines.Select(l => (l.X, l.Baseline)));
        Assert.Equal(("Fira Sans", 400, 10, 14, 0.5), (text.Main.Type.Family, text.Main.Type.Weight, text.Main.Type.Size, text.Main.Type.LineHeight!.Value, text.Main.Type.LetterSpacing));
        Assert.Equal(("until two", 700), (text.Lines[0].Runs[1].Words, text.Lines[0].Runs[1].Type.Weight));
        Assert.Equal("font-family: \"Fira Sans\", sans-serif; font-size: 10px; letter-spacing: 0.5px; color: #123; line-height: 14px", Css(values));
        Assert.EndsWith(".it .part-2 {\n  font-weight: 700;\n  color: #456;\n}", new CssCode().Write(values, "it", NoNames.One), StringComparison.Ordinal);
    }

    [Fact]
    public void A_drawing_made_at_twice_its_size_gives_points()
    {
        var values = Values.Of("<rect id='it' x='20' y='10' width='40' height='30' rx='6' fill='#123'/>", drawnAt: 2);
        Assert.Equal((new Box(10, 5, 20, 15), 3.0), (values.Box, values.Radii.UpperLeft));
    }

    [Fact]
    public void The_short_way_to_write_a_font_is_read()
    {
        var type = Values.Of("<style>.a { font: 500 12px Inter }</style><text id='it' class='a' style='font:italic 700 26px/1.5 \"Fira Sans\", serif' y='9'>Dome</text>").Text!.Main.Type;
        Assert.Equal(("Fira Sans", 700, true, 26.0), (type.Family, type.Weight, type.IsItalic, type.Size));
    }

    [Fact]
    public void Measured_words_have_a_box_and_a_place()
    {
        var read = Values.Of("<text id='it' x='50' y='40' font-size='20' text-anchor='middle'>Dome</text>");
        var asks = TextMeasuring.AsksOf([read]);
        Assert.Equal([new TextAsk("Dome", "", 400, false, 20, 0)], asks);
        var values = TextMeasuring.With([read], [new(48, 18, 6)])[0];
        Assert.Equal(new Box(26, 22, 48, 24), values.Box);
        // A line of 24 of which 18 stand above the baseline: it begins at 22.
        Assert.Equal("position: absolute; top: 22px; left: 25.5px; width: 49px; white-space: pre", string.Join("; ", CssCode.Place(values).Select(d => $"{d.Property}: {d.Value}")));
    }
}
