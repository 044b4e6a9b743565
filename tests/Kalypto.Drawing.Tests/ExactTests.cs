using System.Text;
using Kalypto.Core.Arranging;
using Kalypto.Core.Designs;
using Kalypto.Core.Isolating;
using Kalypto.Core.Reading;
using Kalypto.Drawing.Exact;

namespace Kalypto.Drawing.Tests;

/// <summary>What the quick engine does not draw as a browser does is drawn by one, from the file as it came in.</summary>
public sealed class ExactTests(ExactFixture exact) : IClassFixture<ExactFixture>
{
    private readonly CancellationToken cancel = TestContext.Current.CancellationToken;

    private DrawingTree Read(string inside)
    {
        var file = Encoding.UTF8.GetBytes($"<svg xmlns='http://www.w3.org/2000/svg' xmlns:xlink='http://www.w3.org/1999/xlink' viewBox='0 0 100 100'>{inside}</svg>");
        exact.IsNeeded();
        exact.Add(file);
        return SvgReader.Read(file, "Drawing");
    }

    private async Task<byte[]> PixelsAsync(string inside, string layer, IReadOnlySet<int>? without = null)
    {
        var drawing = Read(inside);
        var drawn = await exact.Renderer.PixelsAsync(Isolation.Of(drawing, drawing.Layers.First(l => l.Name == layer), without).Scene(new(0, 0, 100, 100), 100, 100), 100, 100, cancel);
        Assert.Null(drawn.Failure);
        return drawn.Bytes!;
    }

    private static (int R, int G, int B, int A) At(byte[] rgba, int x, int y) => (rgba[(y * 100 + x) * 4], rgba[(y * 100 + x) * 4 + 1], rgba[(y * 100 + x) * 4 + 2], rgba[(y * 100 + x) * 4 + 3]);

    [Theory]
    // A clip by a shape; a path in CSS; a turn around the middle of its box; colours that are worked out; foreign content.
    [InlineData("<rect id='x' width='100' height='100' fill='#f00' style='clip-path:circle(20px at 50px 50px)'/>", 50, 50, 80, 80)]
    [InlineData("<path id='x' style='d:path(\"M10 10h20v20h-20z\")' fill='#f00'/>", 20, 20, 50, 50)]
    [InlineData("<rect id='x' x='20' y='45' width='60' height='10' fill='#f00' style='transform-box:fill-box;transform-origin:center;transform:rotate(90deg)'/>", 50, 25, 25, 50)]
    [InlineData("<rect id='x' width='calc(20px + 30px)' height='50' style='width:calc(20px + 30px);fill:color-mix(in srgb, #f00 100%, blue)'/>", 40, 40, 70, 20)]
    [InlineData("<g id='x'><foreignObject x='10' y='10' width='30' height='30'><div xmlns='http://www.w3.org/1999/xhtml' style='width:30px;height:30px;background:#f00'></div></foreignObject><path d='M0 0h1v1z'/></g>", 20, 20, 60, 60)]
    [InlineData("<style>rect:is(.a):not(:has(title)){fill:#f00}</style><rect id='x' class='a' width='50' height='50' fill='blue'/>", 20, 20, 70, 70)]
    public async Task It_draws_what_a_browser_draws_and_nothing_else(string inside, int inX, int inY, int outX, int outY)
    {
        // Around and beside the layer lies what must not be seen, also where the layer refers to it.
        var pixels = await PixelsAsync($"<rect id='ground' width='100' height='100' fill='lime'/><g filter='blur(9px)'>{inside}</g><g id='over'><rect width='100' height='100' fill='blue'/></g>", "x");
        Assert.Equal((255, 0, 0, 255), At(pixels, inX, inY));
        Assert.Equal(0, At(pixels, outX, outY).A);
    }

    [Fact]
    public async Task A_browser_that_does_not_start_now_is_found_later()
    {
        exact.IsNeeded();
        var path = Path.Combine(Path.GetTempPath(), $"browser-{Guid.NewGuid():n}");
        using var engine = new ExactEngine(new() { Fonts = "fonts", Browser = path, UntilAgain = TimeSpan.Zero });
        Assert.Null(engine.Version);
        File.CreateSymbolicLink(path, "/usr/bin/chromium");
        try
        {
            for (var tries = 0; tries < 1_000 && engine.Version is null; tries++)
            {
                await Task.Delay(100, cancel);
            }
            Assert.NotNull(engine.Version);
        }
        finally
        {
            File.Delete(path);
        }
    }

    [Fact]
    public async Task What_is_hidden_stays_there_for_those_who_refer_to_it_and_what_is_left_out_is_not_drawn()
    {
        var pixels = await PixelsAsync("<g id='star'><rect width='20' height='20' fill='#f00'/></g><g id='x'><use href='#star' x='40' y='40' style='transform-box:fill-box'/><rect id='gone' x='70' y='70' width='20' height='20' fill='lime'/></g>", "x", new HashSet<int> { 5 });
        Assert.Equal(0, At(pixels, 10, 10).A);
        Assert.Equal((255, 0, 0, 255), At(pixels, 50, 50));
        Assert.Equal(0, At(pixels, 80, 80).A);
    }

    [Fact]
    public async Task Edges_are_as_fine_as_a_part_of_a_pixel()
    {
        // A tenth of a pixel covers a tenth, which a browser drawn at this size would round.
        var pixels = await PixelsAsync("<rect id='x' x='10' y='10' width='30.25' height='50' fill='#f00' style='vector-effect:non-scaling-stroke'/>", "x");
        Assert.InRange(At(pixels, 40, 20).A, 60, 68);
    }

    [Fact]
    public async Task Layers_that_were_put_together_here_are_drawn_exactly_too()
    {
        var drawing = Read("<rect id='a' width='100' height='100' fill='#f00' style='clip-path:circle(20px at 30px 30px)'/><rect id='ground' width='100' height='100' fill='blue'/><rect id='b' x='60' y='60' width='20' height='20' fill='#f00'/>");
        var (arrangement, made) = Arranger.Combine(drawing, Arrangement.None, [.. drawing.Layers.Where(l => l.Name is "a" or "b").Select(l => l.Ordinal)], "spots");
        var arranged = Arranger.Apply(drawing, arrangement);
        var drawn = await exact.Renderer.PixelsAsync(Isolation.Of(arranged, arranged.Layers[made]).Scene(new(0, 0, 100, 100), 100, 100), 100, 100, cancel);
        Assert.Equal([(255, 0, 0, 255), (0, 0, 0, 0), (255, 0, 0, 255)], [At(drawn.Bytes!, 30, 30), At(drawn.Bytes!, 90, 10), At(drawn.Bytes!, 70, 70)]);
    }

    // Each would turn the layer green if it got anywhere: to the disk, the network, a script, a worker, a store, the next page.
    public static TheoryData<string> Escapes => new(
    [
        "<script>document.getElementById('x').setAttribute('fill', 'lime')</script>",
        "<rect width='1' height='1' onload=\"document.getElementById('x').setAttribute('fill', 'lime')\"/>",
        "<animate href='#x' attributeName='fill' to='lime' begin='0s' dur='1ms' fill='freeze'/>",
        "<set href='#x' attributeName='fill' to='lime'/>",
        "<style>@keyframes k{from,to{fill:lime}} #x{animation:k 1s infinite}</style>",
        "<style>@import url(file:///tmp/kalypto-escape.css);</style>",
        "<style>@import 'http://127.0.0.1:9/escape.css';</style>",
        "<image href='file:///tmp/kalypto-escape.png' width='100' height='100' style='vector-effect:non-scaling-stroke'/>",
        "<image href='http://127.0.0.1:9/escape.png' width='100' height='100'/>",
        "<foreignObject width='100' height='100'><script xmlns='http://www.w3.org/1999/xhtml'>document.getElementById('x').setAttribute('fill', 'lime')</script></foreignObject>",
        "<foreignObject width='100' height='100'><iframe xmlns='http://www.w3.org/1999/xhtml' src='file:///etc/passwd' width='100' height='100' style='background:lime'></iframe></foreignObject>",
        "<foreignObject width='100' height='100'><iframe xmlns='http://www.w3.org/1999/xhtml' srcdoc='&lt;body style=background:lime&gt;' width='100' height='100'></iframe></foreignObject>",
        "<foreignObject width='100' height='100'><object xmlns='http://www.w3.org/1999/xhtml' data='data:text/html,&lt;body style=background:lime&gt;' width='100' height='100'></object></foreignObject>",
        "<foreignObject width='100' height='100'><embed xmlns='http://www.w3.org/1999/xhtml' src='data:image/svg+xml,&lt;svg xmlns=%22http://www.w3.org/2000/svg%22&gt;&lt;rect width=%22100%22 height=%22100%22 fill=%22lime%22/&gt;&lt;/svg&gt;' width='100' height='100'/></foreignObject>",
        "<foreignObject width='100' height='100'><link xmlns='http://www.w3.org/1999/xhtml' rel='stylesheet' href='data:text/css,*{fill:lime!important}'/></foreignObject>",
        "<foreignObject width='100' height='100'><meta xmlns='http://www.w3.org/1999/xhtml' http-equiv='refresh' content='0;url=data:image/svg+xml,&lt;svg xmlns=%22http://www.w3.org/2000/svg%22/&gt;'/></foreignObject>",
        "<foreignObject width='100' height='100'><img xmlns='http://www.w3.org/1999/xhtml' src='x' onerror=\"document.getElementById('x').setAttribute('fill', 'lime')\"/></foreignObject>",
        "<foreignObject width='100' height='100'><video xmlns='http://www.w3.org/1999/xhtml' src='file:///etc/passwd' autoplay='' style='background:lime;width:100px;height:100px'></video></foreignObject>",
        "<foreignObject width='100' height='100'><form xmlns='http://www.w3.org/1999/xhtml' action='http://127.0.0.1:9/' style='background:lime;width:100px;height:100px'><input autofocus='' style='width:99px;height:99px;background:lime'/></form></foreignObject>",
        "<script href='data:text/javascript,document.getElementById(&quot;x&quot;).setAttribute(&quot;fill&quot;,&quot;lime&quot;)'/>",
        "<script type='module'>new Worker('data:text/javascript,1').onmessage = () => {}; document.getElementById('x').setAttribute('fill', 'lime')</script>",
        "<script>new RTCPeerConnection().createDataChannel('x'); document.getElementById('x').setAttribute('fill', 'lime')</script>",
        "<script>localStorage.x = 1; indexedDB.open('x'); setInterval(() => document.getElementById('x').setAttribute('fill', 'lime'), 1)</script>",
        "<script>fetch('http://127.0.0.1:9/').finally(() => document.getElementById('x').setAttribute('fill', 'lime'))</script>",
        "<script>navigator.serviceWorker.register('data:text/javascript,1'); document.getElementById('x').setAttribute('fill', 'lime')</script>",
        "<script>window.open('file:///etc/passwd'); location = 'file:///etc/passwd'</script>",
        "<a href=\"javascript:document.getElementById('x').setAttribute('fill','lime')\"><rect width='9' height='9'/></a>",
        "<use href='file:///tmp/kalypto-escape.svg#x'/>",
        "<filter id='f'><feImage href='file:///tmp/kalypto-escape.png'/></filter><rect width='100' height='100' filter='url(#f)'/>",
        "<handler type='application/ecmascript'>document.getElementById('x').setAttribute('fill', 'lime')</handler>",
        "<discard href='#x' begin='0s'/>",
    ]);

    [Theory]
    [MemberData(nameof(Escapes))]
    public async Task Nothing_in_a_file_acts_moves_or_reaches_out(string escape)
    {
        exact.IsNeeded();
        // Read without the part that reading refuses, drawn with it: the exact engine holds by itself.
        var head = "<svg xmlns='http://www.w3.org/2000/svg' viewBox='0 0 100 100'>";
        var file = Encoding.UTF8.GetBytes($"{head}<g id='all'><rect id='x' width='50' height='100' fill='#f00'/>{escape}</g></svg>");
        var cut = new SourceCut(exact.Add(file), new(1, head.Length + 2), [], [], new(0, 0, 100, 100), new(0, 0, 100, 100), 100, 100, null);
        var drawn = await exact.Renderer.PixelsAsync(new Scene(() => "", isExact: true, cut), 100, 100, cancel);
        Assert.Null(drawn.Failure);
        Assert.Equal((255, 0, 0, 255), At(drawn.Bytes!, 25, 95));
        Assert.Equal(0, At(drawn.Bytes!, 75, 95).A);
    }

    [Fact]
    public async Task A_drawing_that_hangs_the_exact_engine_costs_itself_only()
    {
        var storm = Read("<filter id='f' x='0' y='0' width='1' height='1'><feTurbulence baseFrequency='.9' numOctaves='900000'/></filter><rect id='x' width='100' height='100' filter='url(#f)'/>");
        var drawn = await exact.Renderer.PixelsAsync(Isolation.Of(storm, storm.Layers.First(l => l.Name == "x")).Scene(storm.Box, 3000, 3000), 3000, 3000, cancel);
        Assert.True(drawn.Failure is null || drawn.IsPassing, drawn.Failure);
        Assert.Equal((255, 0, 0, 255), At(await PixelsAsync("<rect id='x' width='50' height='50' fill='#f00' style='vector-effect:non-scaling-stroke'/>", "x"), 20, 20));
    }
}
