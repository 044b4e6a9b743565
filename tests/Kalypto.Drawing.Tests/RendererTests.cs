using Kalypto.Core.Designs;
using Kalypto.Core.Isolating;
using Kalypto.Core.Rendering;

namespace Kalypto.Drawing.Tests;

public class RendererTests(RendererFixture fixture)
{
    private readonly CancellationToken cancel = TestContext.Current.CancellationToken;

    private async Task<(Box? Shape, Look Look)> MeasureAsync(string inside, string layer)
    {
        var drawing = RendererFixture.Read(inside);
        var found = drawing.Layers.First(l => l.Name == layer);
        var shape = (await fixture.Renderer.MeasureAsync(drawing, null, cancel))[found.Ordinal];
        return (shape, await fixture.Renderer.LookAsync(Isolation.Of(drawing, found), shape ?? drawing.Box, isExact: false, cancel));
    }

    [Theory]
    // Fill alone; with a stroke; a line, whose fill has no area; lines away from their origin; turned; two in a group.
    [InlineData("<rect id='x' x='10' y='20' width='30' height='40'/>", 10, 20, 30, 40)]
    [InlineData("<rect id='x' x='10' y='20' width='30' height='40' stroke='red' stroke-width='4'/>", 8, 18, 34, 44)]
    [InlineData("<path id='x' d='M10 20H40' fill='none' stroke='red' stroke-width='4'/>", 10, 18, 30, 4)]
    [InlineData("<path id='x' d='M30 40h18M30 46h18' fill='none' stroke='red' stroke-width='2'/>", 30, 39, 18, 8)]
    [InlineData("<line id='x' x1='30' y1='40' x2='60' y2='40' transform='translate(0 10)' stroke='red' stroke-width='2'/>", 30, 49, 30, 2)]
    [InlineData("<polyline id='x' points='60,40 30,40' stroke='red' stroke-linecap='square' stroke-width='2'/>", 29, 39, 32, 2)]
    [InlineData("<path id='x' d='M50 50h20l-20 4z' stroke='red' stroke-width='2' stroke-miterlimit='99'/>", 49, 49, 31.1, 6.22)]
    [InlineData("<g display='none'><g id='y'><circle cx='9' cy='9' r='4'/></g></g><use id='x' href='#y' x='20'/>", 25, 5, 8, 8)]
    [InlineData("<g id='x' transform='translate(50 50) rotate(90)'><rect width='10' height='20'/></g>", 30, 50, 20, 10)]
    [InlineData("<g id='x'><rect x='5' y='5' width='5' height='5'/><rect x='20' y='30' width='5' height='5'/><rect width='90' height='90' display='none'/></g>", 5, 5, 20, 30)]
    [InlineData("<g id='x'><image x='10' y='20' width='30' height='10' href='data:image/png;base64,iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNkYPhfDwAChwGA60e6kgAAAABJRU5ErkJggg=='/></g>", 10, 20, 30, 10)]
    [InlineData("<image id='x' transform='translate(40 7)' width='30' height='10' preserveAspectRatio='none' href='data:image/png;base64,iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNkYPhfDwAChwGA60e6kgAAAABJRU5ErkJggg=='/>", 40, 7, 30, 10)]
    [InlineData("<g display='none'><rect id='x' x='5' y='5' width='5' height='5'/></g>", 5, 5, 5, 5)]
    public async Task A_shape_is_its_outline_with_its_strokes(string inside, double x, double y, double w, double h)
    {
        var shape = (await MeasureAsync(inside, "x")).Shape!.Value;
        Assert.All([(x, shape.X), (y, shape.Y), (w, shape.Width), (h, shape.Height)], pair => Assert.Equal(pair.Item1, pair.Item2, 0.06));
    }

    [Fact]
    public async Task Ink_counts_shadows_and_not_what_a_clip_hides()
    {
        var shadow = await MeasureAsync("<filter id='f' x='-1' y='-1' width='3' height='3'><feDropShadow dx='0' dy='10' stdDeviation='2'/></filter><rect id='x' x='40' y='40' width='20' height='20' filter='url(#f)'/>", "x");
        Assert.Equal(new Box(40, 40, 20, 20), shadow.Shape);
        Assert.True(shadow.Look.Ink is { Bottom: > 73 and < 78, X: > 32 and < 37 });
        var clipped = await MeasureAsync("<clipPath id='c'><rect x='10' y='10' width='20' height='20'/></clipPath><rect id='x' width='90' height='90' clip-path='url(#c)'/>", "x");
        Assert.Equal(new Box(10, 10, 20, 20), clipped.Look.Ink);
        Assert.Null((await MeasureAsync("<rect id='x' width='9' height='9' opacity='0'/>", "x")).Look.Ink);
    }

    [Theory]
    [InlineData("<rect id='x' x='10' y='10' width='40' height='30' fill='#173a45'/>", "#173a45", true)]
    [InlineData("<rect id='x' x='10.4' y='10.4' width='40.2' height='30.2' fill='#173a45'/>", "#173a45", true)]
    [InlineData("<circle id='x' cx='30' cy='30' r='20' fill='#ffffff'/>", "#ffffff", false)]
    [InlineData("<path id='x' d='M10 10l30 20l-30 20z' stroke='#fff' fill='none'/>", "#ffffff", false)]
    [InlineData("<g id='x'><rect width='40' height='30' fill='#173a45'/><circle cx='9' cy='9' r='4' fill='#c00'/></g>", null, false)]
    [InlineData("<rect id='x' width='40' height='30' fill='#000' opacity='.5'/>", "#000000", false)]
    [InlineData("<rect id='x' width='9' height='9' opacity='0'/>", null, false)]
    public async Task One_colour_is_seen_with_or_without_what_shows_through(string inside, string? colour, bool isFull)
    {
        var look = (await MeasureAsync(inside, "x")).Look;
        Assert.Equal((colour, isFull), (look.Colour, look.IsFull));
    }

    [Fact]
    public async Task A_gradient_of_something_turned_ends_at_its_edges()
    {
        var drawing = RendererFixture.Read("<defs><linearGradient id='g'><stop stop-color='#ff0000'/><stop offset='1' stop-color='#0000ff'/></linearGradient></defs>"
            + "<rect id='x' x='30' y='40' width='40' height='20' transform='rotate(45 50 50)' fill='url(#g)'/>");
        var pixel = await fixture.DrawAsync(drawing, "x");
        var (start, end) = (pixel(37, 37), pixel(63, 63));
        Assert.True(start is { R: > 235, B: < 20 } && end is { R: < 20, B: > 235 }, $"{start} {end}");
    }

    [Fact]
    public async Task A_layer_is_drawn_with_what_belongs_to_it()
    {
        var drawing = RendererFixture.Read("""
            <style>.a { fill: var(--c) } :root { --c: #ff0000 }</style>
            <rect id='behind' width='100' height='100' fill='lime'/>
            <g id='outer' opacity='.5' transform='translate(10 0)'><rect id='x' class='a' width='20' height='20'/><rect width='100' height='100' fill='blue'/></g>
            <g id='off' display='none'><rect id='hidden' width='10' height='10' fill='#00f'/></g>
            """);
        var x = await fixture.DrawAsync(drawing, "x");
        Assert.Equal((255, 0, 0, 128), x(15, 5));
        Assert.Equal(0, x(5, 5).A);
        Assert.Equal(0, x(50, 50).A);
        // A hidden layer that is asked for is drawn.
        Assert.Equal((0, 0, 255, 255), (await fixture.DrawAsync(drawing, "hidden"))(5, 5));
        Assert.Equal((0, 255, 0, 255), (await fixture.DrawAsync(drawing, "Drawing"))(5, 50));
    }

    [Fact]
    public async Task Text_is_set_in_the_projects_own_fonts()
    {
        async Task<double> WidthAsync(string family) => (await MeasureAsync($"<text id='x' x='5' y='50' font-size='20' font-family='{family}'>Wimm</text>", "x")).Shape!.Value.Width;
        Assert.NotEqual(await WidthAsync("Figtree"), await WidthAsync("No such family"), 0.5);
    }

    [Theory]
    [InlineData("hangs", "<filter id='f' x='0' y='0' width='1' height='1'><feTurbulence baseFrequency='.9' numOctaves='900000'/></filter><rect id='x' width='100' height='100' filter='url(#f)'/>", "longer than")]
    public async Task A_drawing_that_hangs_costs_itself_only(string _, string inside, string failure)
    {
        using var impatient = RendererFixture.Make(TimeSpan.FromSeconds(2));
        var drawing = RendererFixture.Read(inside + "<rect id='good' width='10' height='10'/>");
        var shapes = await fixture.Renderer.MeasureAsync(drawing, null, cancel);
        var look = await impatient.LookAsync(Isolation.Of(drawing, drawing.Layers.First(l => l.Name == "x")), shapes[1]!.Value, isExact: false, cancel);
        Assert.Contains(failure, look.Failure, StringComparison.Ordinal);
        var good = await fixture.Renderer.LookAsync(Isolation.Of(drawing, drawing.Layers.First(l => l.Name == "good")), shapes[2]!.Value, isExact: false, cancel);
        Assert.Equal(new Box(0, 0, 10, 10), good.Ink);
    }

    [Fact]
    public async Task A_picture_that_is_too_large_or_eats_all_memory_fails_with_a_reason()
    {
        const string Document = "<svg xmlns='http://www.w3.org/2000/svg' width='9' height='9'><rect width='9' height='9'/></svg>";
        Assert.Contains("larger than can be drawn", (await fixture.Renderer.DrawAsync(Document, 40_000, 10, Core.Rendering.Effort.Quick, cancel)).Failure, StringComparison.Ordinal);
        Assert.Contains("larger than can be drawn", (await fixture.Renderer.DrawAsync(Document, 20_000, 20_000, Core.Rendering.Effort.Quick, cancel)).Failure, StringComparison.Ordinal);

        using var small = new Workers.WorkerRenderer(new Workers.WorkerOptions
        {
            Program = Path.Combine(AppContext.BaseDirectory, "Kalypto.Worker"),
            Fonts = Path.Combine(AppContext.BaseDirectory, "fonts"),
            Memory = 280_000_000,
        });
        Assert.NotNull((await small.DrawAsync(Document, 8_000, 8_000, Core.Rendering.Effort.Quick, cancel)).Failure);
        // The next one has a fresh process.
        Assert.Null((await small.DrawAsync(Document, 9, 9, Core.Rendering.Effort.Quick, cancel)).Failure);
    }

    [Fact]
    public async Task Equal_documents_give_equal_bytes_in_any_process()
    {
        var document = Isolation.Of(RendererFixture.Read("<text x='5' y='50' font-family='Figtree'>Larkrise</text>"), RendererFixture.Read("<text x='5' y='50' font-family='Figtree'>Larkrise</text>").Layers[0]).Document(new(0, 0, 100, 100), 300, 300);
        using var other = RendererFixture.Make(TimeSpan.FromSeconds(60));
        var one = await fixture.Renderer.DrawAsync(document, 300, 300, Core.Rendering.Effort.Best, cancel);
        Assert.Equal(one.Bytes, (await other.DrawAsync(document, 300, 300, Core.Rendering.Effort.Best, cancel)).Bytes);
    }
}
