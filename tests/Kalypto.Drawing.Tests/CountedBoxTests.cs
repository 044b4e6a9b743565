using System.Text;
using Kalypto.Core.Arranging;
using Kalypto.Core.Designs;
using Kalypto.Core.Isolating;
using Kalypto.Core.Proving;
using Kalypto.Core.Reading;

namespace Kalypto.Drawing.Tests;

/// <summary>A part of a group is cut, masked and turned where it is on its screen, also where that counts from the box of the whole group.</summary>
public sealed class CountedBoxTests(ExactFixture exact) : IClassFixture<ExactFixture>
{
    private const int Side = 200;
    private const string Layer = "<rect id='x' width='50' height='100' fill='#06c'/>";
    private const string Next = "<rect id='next' x='40' y='20' width='30' height='30' fill='#c30'/>";
    private const string Other = "<rect id='other' x='60' width='40' height='100' fill='lime'/>";
    private readonly CancellationToken cancel = TestContext.Current.CancellationToken;

    [Theory]
    [InlineData("<clipPath id='c' clipPathUnits='objectBoundingBox'><circle cx='.5' cy='.5' r='.4'/></clipPath><g clip-path='url(#c)'>LAYER OTHER</g>",
        "<clipPath id='c'><circle cx='50' cy='50' r='40'/></clipPath><g clip-path='url(#c)'>LAYER</g>")]
    [InlineData("<clipPath id='c' transform='translate(5)' clipPathUnits='objectBoundingBox' clip-path='url(#d)'><circle cx='.5' cy='.5' r='.4'/></clipPath><clipPath id='d' clipPathUnits='objectBoundingBox'><rect width='.4' height='1'/></clipPath><g style='clip-path:url(#c)'><g>LAYER</g> OTHER</g>",
        "<clipPath id='d'><rect width='40' height='100'/></clipPath><clipPath id='c' clip-path='url(#d)'><circle cx='55' cy='50' r='40'/></clipPath><g clip-path='url(#c)'>LAYER</g>")]
    [InlineData("<mask id='m' x='0' y='0.2' width='.3' height='60%' maskContentUnits='objectBoundingBox'><circle cx='.2' cy='.5' r='.4' fill='#fff'/></mask><g mask='url(#m)'>LAYER OTHER</g>",
        "<mask id='m' maskUnits='userSpaceOnUse' x='0' y='20' width='30' height='60'><circle cx='20' cy='50' r='40' fill='#fff'/></mask><g mask='url(#m)'>LAYER</g>")]
    [InlineData("<g style='transform-box:fill-box;transform-origin:center;transform:rotate(90deg)'>LAYER OTHER</g>", "<g transform='rotate(90 50 50)'>LAYER</g>")]
    [InlineData("<g style='clip-path:inset(20% 70% 0 0)'>LAYER OTHER</g>", "<clipPath id='c'><rect y='20' width='30' height='80'/></clipPath><g clip-path='url(#c)'>LAYER</g>")]
    // What the file itself calls so stays.
    [InlineData("<clipPath id='c' clipPathUnits='objectBoundingBox'><circle cx='.5' cy='.5' r='.4'/></clipPath><g data-counted='' clip-path='url(#c)'>LAYER OTHER</g>",
        "<clipPath id='c'><circle cx='50' cy='50' r='40'/></clipPath><g clip-path='url(#c)'>LAYER</g>")]
    // What is shown elsewhere too is a part of the box all the same.
    [InlineData("<clipPath id='c' clipPathUnits='objectBoundingBox'><circle cx='.5' cy='.5' r='.4'/></clipPath><g clip-path='url(#c)'>LAYER OTHER</g><use href='#other' y='200'/>",
        "<clipPath id='c'><circle cx='50' cy='50' r='40'/></clipPath><g clip-path='url(#c)'>LAYER</g>")]
    public async Task A_part_of_a_group_lies_where_it_is_on_its_screen(string said, string plain)
    {
        exact.IsNeeded();
        var isolation = Part(said);
        Assert.Contains(isolation.Beyond, b => b.Contains("counts from all in it", StringComparison.Ordinal));
        var expected = await exact.Renderer.PixelsAsync(Part(plain).Scene(new(0, 0, 100, 100), Side, Side, isExact: true), Side, Side, cancel);
        var (drawn, written, svg) = await exact.WrittenBesideABrowserAsync(isolation, new(0, 0, 100, 100), Side, Side, isExact: true, cancel);
        Assert.InRange(expected.Bytes!.Chunk(4).Count(p => p[3] > 0), 500, Side * Side / 2);
        Assert.InRange(Differences.Of(expected.Bytes!, drawn, Side, Side).Share, 0, 0.002);
        Assert.InRange(Differences.Of(expected.Bytes!, written, Side, Side).Share, 0, 0.01);
        // Nobody is sent what is not in the picture.
        Assert.DoesNotContain("data-counted", svg, StringComparison.Ordinal);
        Assert.DoesNotContain("rgb(0, 255, 0)", svg, StringComparison.Ordinal);
    }

    [Theory]
    [InlineData("<clipPath id='c' clipPathUnits='objectBoundingBox'><circle cx='.5' cy='.5' r='.4'/></clipPath><g clip-path='url(#c)'>LAYER NEXT OTHER</g>",
        "<clipPath id='c'><circle cx='50' cy='50' r='40'/></clipPath><g clip-path='url(#c)'>LAYER NEXT</g>")]
    // In groups of which it takes a part.
    [InlineData("<clipPath id='c' clipPathUnits='objectBoundingBox'><circle cx='.5' cy='.5' r='.4'/></clipPath><g clip-path='url(#c)' opacity='.5'>LAYER OTHER</g>NEXT",
        "<clipPath id='c'><circle cx='50' cy='50' r='40'/></clipPath><g clip-path='url(#c)' opacity='.5'>LAYER</g>NEXT")]
    // Where only a browser knows what a rule means.
    [InlineData("<style>rect:has(+ #next){fill:#963}</style>OTHER <g>LAYER NEXT</g>", "<g><rect width='50' height='100' fill='#963'/>NEXT</g>")]
    [InlineData("<style>rect:has(+ #next){fill:#963}</style><g style='visibility:hidden'>OTHER LAYER NEXT</g>", "<g><rect width='50' height='100' fill='#963'/>NEXT</g>")]
    public async Task Layers_that_are_put_together_lie_where_they_are_on_their_screen(string said, string plain)
    {
        exact.IsNeeded();
        var drawing = Read(said);
        var (arrangement, ordinal) = Arranger.Combine(drawing, Arrangement.None, [.. drawing.Layers.Where(l => l.Name is "x" or "next").Select(l => l.Ordinal)], "both");
        var arranged = Arranger.Apply(drawing, arrangement);
        var isolation = Isolation.Of(arranged, arranged.Layers[ordinal]);
        Assert.NotEmpty(isolation.Beyond);
        var expected = await exact.Renderer.PixelsAsync(Isolation.Of(Read(plain), Read(plain).Layers[0]).Scene(new(0, 0, 100, 100), Side, Side, isExact: true), Side, Side, cancel);
        var (drawn, written, svg) = await exact.WrittenBesideABrowserAsync(isolation, new(0, 0, 100, 100), Side, Side, isExact: true, cancel);
        Assert.InRange(Differences.Of(expected.Bytes!, drawn, Side, Side).Share, 0, 0.002);
        Assert.InRange(Differences.Of(expected.Bytes!, written, Side, Side).Share, 0, 0.01);
        Assert.DoesNotContain("rgb(0, 255, 0)", svg, StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_line_in_a_masked_group_is_there_by_itself()
    {
        exact.IsNeeded();
        var isolation = Part("<mask id='m' fill='white'><rect width='100' height='100'/></mask><g mask='url(#m)'><path id='x' d='M10 50h80' stroke='#036' stroke-width='4'/> OTHER</g>");
        Assert.Empty(isolation.Beyond);
        foreach (var isExact in new[] { false, true })
        {
            var drawn = await exact.Renderer.PixelsAsync(isolation.Scene(new(0, 0, 100, 100), Side, Side, isExact: isExact), Side, Side, cancel);
            Assert.Equal(160 * 8, drawn.Bytes!.Chunk(4).Count(p => p[3] == 255));
        }
    }

    private Isolation Part(string inside)
    {
        var drawing = Read(inside);
        return Isolation.Of(drawing, drawing.Layers.First(l => l.Name == "x"));
    }

    private DrawingTree Read(string inside)
    {
        var file = Encoding.UTF8.GetBytes($"<svg xmlns='http://www.w3.org/2000/svg' viewBox='0 0 100 100'>{inside.Replace("LAYER", Layer, StringComparison.Ordinal).Replace("NEXT", Next, StringComparison.Ordinal).Replace("OTHER", Other, StringComparison.Ordinal)}</svg>");
        exact.Add(file);
        return SvgReader.Read(file, "Drawing");
    }
}
