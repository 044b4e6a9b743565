using System.Text;
using System.Xml.Linq;
using Kalypto.Core.Designs;
using Kalypto.Core.Formats;
using Kalypto.Core.Isolating;
using Kalypto.Core.Reading;
using Kalypto.Core.Rendering;

namespace Kalypto.Drawing.Tests;

/// <summary>Texts in files of shapes are outlines that look as the texts do, wherever they stand, and all around them stays as it was.</summary>
public sealed class OutlineTests(ExactFixture exact) : IClassFixture<ExactFixture>
{
    private const int Side = 96;
    private const int Times = 4;
    private readonly CancellationToken cancel = TestContext.Current.CancellationToken;

    private static readonly Dictionary<string, string> Texts = new()
    {
        ["plain"] = "<text id='x' x='8' y='40' font-family='Inter' font-size='24'>Tonight</text>",
        ["anchored and spaced"] = "<g font-family='Lato' font-size='18' text-anchor='middle' letter-spacing='2' fill='#173a45'><text id='x' x='48' y='40'>Moon <tspan fill='#c9711c' font-weight='700'>rise</tspan><tspan x='48' dy='24'>at nine</tspan></text></g>",
        ["turned, see-through and clipped"] = "<clipPath id='c'><rect width='70' height='96'/></clipPath><g clip-path='url(#c)' opacity='.5'><text id='x' transform='translate(10 20) rotate(30)' y='10' font-family='Inter' font-size='22' opacity='.8'>Comets</text></g>",
        ["painted by a gradient and lined"] = "<linearGradient id='g' gradientUnits='userSpaceOnUse' x2='96'><stop stop-color='red'/><stop offset='1' stop-color='blue'/></linearGradient><text id='x' x='4' y='50' font-family='Inter' font-weight='700' font-size='34' fill='url(#g)' stroke='#173a45' stroke-width='1.5'>Dusk</text>",
        ["under what says otherwise for shapes"] = "<g stroke='red' stroke-width='3' fill-rule='evenodd' fill-opacity='.4' stroke-dasharray='2'><g id='x'><path d='M4 4h20v20z'/><text x='4' y='60' font-family='Inter' font-size='20' stroke='none'>Vega</text></g></g>",
        ["in small numbers"] = "<g id='x' transform='scale(96)'><text x='.1' y='.5' style='font-family:Inter;font-size:.25px'>Lyra</text><rect x='.1' y='.6' width='.5' height='.1'/></g>",
        ["in a mask"] = "<mask id='m'><text x='4' y='60' font-family='Inter' font-weight='700' font-size='40' fill='#fff'>Orion</text></mask><rect id='x' width='96' height='96' mask='url(#m)' fill='#2c6e54'/>",
        ["with a shadow"] = "<filter id='f'><feDropShadow dx='2' dy='2' stdDeviation='1'/></filter><text id='x' x='8' y='40' font-family='Inter' font-size='24' filter='url(#f)'>Nova</text>",
        ["in a box of its own"] = "<g id='x'><svg x='10' y='10' width='60' height='60' viewBox='0 0 30 30'><text x='2' y='16' font-family='Inter' font-size='9'>Polaris</text></svg></g>",
        ["along a path"] = "<path id='p' d='M8 80q40-90 80 0' fill='none'/><text id='x' font-family='Inter' font-size='16'><textPath href='#p'>round the pole star</textPath></text>",
        ["stretched"] = "<text id='x' x='8' y='40' font-family='Inter' font-size='20' style='font-feature-settings:\"tnum\"' textLength='80' lengthAdjust='spacingAndGlyphs'>Wren</text>",
    };

    public static TheoryData<string> Names => [.. Texts.Keys];

    [Theory]
    [MemberData(nameof(Names))]
    public Task Outlines_by_the_browser_look_as_its_text(string name) => IsAsDrawnAsync(Texts[name], isExact: true);

    // Where both engines set a text alike.
    [Theory]
    [InlineData("plain")]
    [InlineData("under what says otherwise for shapes")]
    [InlineData("in small numbers")]
    [InlineData("with a shadow")]
    public Task Outlines_by_the_quick_engine_look_as_the_browsers_text(string name) => IsAsDrawnAsync(Texts[name], isExact: false);

    [Fact]
    public async Task An_emoji_stays_text()
    {
        var drawing = RendererFixture.Read("<g id='x'><text x='8' y='60'>\U0001F319</text><text x='8' y='90'>moon</text></g>");
        var made = await exact.Renderer.MakeFileAsync(Isolation.Of(drawing, drawing.Layers.First(l => l.Name == "x")), new(new(0, 0, Side, Side), (Side, Side), (Side, Side), new(Format.Svg)), cancel);
        Assert.Equal(["\U0001F319"], XDocument.Parse(Encoding.UTF8.GetString(made.Bytes!)).Descendants().Where(e => e.Name.LocalName == "text").Select(e => e.Value));
    }

    private async Task IsAsDrawnAsync(string inside, bool isExact)
    {
        exact.IsNeeded();
        var file = Encoding.UTF8.GetBytes($"<svg xmlns='http://www.w3.org/2000/svg' viewBox='0 0 100 100'>{inside}</svg>");
        exact.Add(file);
        var read = SvgReader.Read(file, "Drawing");
        var isolation = Isolation.Of(read, read.Layers.First(l => l.Name == "x"));
        var (crop, pixels) = (new Box(0, 0, Side, Side), Side * Times);
        var made = await exact.Renderer.MakeFileAsync(isolation, new(crop, (Side, Side), (Side, Side), new(Format.Svg)) { IsExact = isExact }, cancel);
        Assert.Null(made.Failure);
        var svg = XDocument.Parse(Encoding.UTF8.GetString(made.Bytes!));
        Assert.DoesNotContain(svg.Descendants(), e => e.Name.LocalName is "text" or "tspan" or "textPath");
        Assert.DoesNotContain("font-", svg.ToString(), StringComparison.Ordinal);
        var ids = svg.Descendants().Select(e => (string?)e.Attribute("id")).Where(i => i is not null).ToList();
        Assert.Equal(ids.Distinct(), ids);
        var expected = await exact.Renderer.PixelsAsync(isolation.Scene(crop, pixels, pixels, isExact: true), pixels, pixels, cancel);
        exact.Add(made.Bytes!);
        var drawing = SvgReader.Read(made.Bytes!, "outlines");
        var drawn = await exact.Renderer.PixelsAsync(Isolation.Of(drawing, drawing.Layers[0]).Scene(crop, pixels, pixels, isExact: true), pixels, pixels, cancel);
        Assert.Equal((null, null), (expected.Failure, drawn.Failure));
        Assert.Contains(expected.Bytes!.Chunk(4), p => p[3] > 0);
        // Letters and paths are smoothed otherwise at their edges; what is of another form or place differs by far more.
        var (differs, ink) = expected.Bytes!.Zip(drawn.Bytes!).Chunk(4).Aggregate((0.0, 0.0), (sum, p) => (sum.Item1 + p.Max(c => Math.Abs(c.First - c.Second)), sum.Item2 + p[3].First));
        Assert.True(differs / ink < 0.05, $"{100 * differs / ink:0.0}% of the ink is other: {Encoding.UTF8.GetString(made.Bytes!)}");
    }
}
