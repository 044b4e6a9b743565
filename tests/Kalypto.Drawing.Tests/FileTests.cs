using System.Text;
using Kalypto.Core.Deciding;
using Kalypto.Core.Designs;
using Kalypto.Core.Formats;
using Kalypto.Core.Isolating;
using Kalypto.Core.Packing;
using Kalypto.Core.Planning;
using Kalypto.Core.Platforms;
using Kalypto.Core.Rendering;
using Kalypto.Core.Tagging;

namespace Kalypto.Drawing.Tests;

/// <summary>What the encoders promise; that other decoders read their files is tested in the browser.</summary>
public class FileTests(RendererFixture fixture)
{
    private const string Dusk = "<defs><linearGradient id='g' x2='0' y2='1'><stop stop-color='#173a45'/><stop offset='1' stop-color='#f3d9a0'/></linearGradient></defs>"
        + "<g id='x'><rect width='96' height='64' fill='url(#g)'/><circle cx='60' cy='24' r='14' fill='#fff' opacity='.8'/><path d='M0 64l30-26 20 14 16-9 30 21z' fill='#10181d'/></g>";

    private readonly CancellationToken cancel = TestContext.Current.CancellationToken;

    private async Task<Drawn> MakeAsync(string ask, string inside = Dusk, CreditLines? credit = null, int scale = 3)
    {
        var drawing = RendererFixture.Read(inside);
        return await fixture.Renderer.MakeFileAsync(Isolation.Of(drawing, drawing.Layers.First(l => l.Name == "x")),
            new(new Box(0, 0, 96, 64), (96, 64), (96 * scale, 64 * scale), FormatAsk.Parse(ask)!) { Credit = credit ?? CreditLines.None }, cancel);
    }

    private async Task<PictureDifference> AgainstPngAsync(Drawn file) => (await fixture.Renderer.CompareAsync((await MakeAsync("png")).Bytes!, file.Bytes!, cancel))!;

    [Theory]
    [InlineData("png", "\u0089PNG")]
    [InlineData("png8", "\u0089PNG")]
    [InlineData("jpeg:70", "\u00ff\u00d8\u00ff")]
    [InlineData("webp", "RIFF")]
    [InlineData("webp:lossless", "RIFF")]
    [InlineData("avif", "\0\0\0")]
    [InlineData("gif", "GIF89a")]
    [InlineData("ico", "\0\0\u0001\0\u0008\0")]
    [InlineData("pdf", "%PDF-1.5")]
    [InlineData("svg", "<svg ")]
    [InlineData("svg:outlines", "<svg ")]
    [InlineData("vector", "<?xml")]
    public async Task Equal_input_gives_equal_bytes_in_every_format(string ask, string head)
    {
        var (one, two) = (await MakeAsync(ask, credit: new("© Larkrise", "Ann", "")), await MakeAsync(ask, credit: new("© Larkrise", "Ann", "")));
        Assert.Null(one.Failure);
        Assert.StartsWith(head, Encoding.Latin1.GetString(one.Bytes!), StringComparison.Ordinal);
        Assert.Equal(one.Bytes, two.Bytes);
        Assert.DoesNotContain("CreationDate", Encoding.Latin1.GetString(one.Bytes!), StringComparison.Ordinal);
    }

    [Theory]
    [InlineData("png", 1)]
    [InlineData("png", 4)]
    [InlineData("png8", 3)]
    public async Task A_PNG_written_once_more_is_smaller_and_shows_the_same(string ask, int scale)
    {
        var drawn = (await MakeAsync(ask, credit: new("© Larkrise", "Ann", ""), scale: scale)).Bytes!;
        var smaller = (await fixture.Renderer.SmallerAsync(drawn, cancel)).Bytes!;
        Assert.True(smaller.Length < drawn.Length, $"{smaller.Length} of {drawn.Length}");
        Assert.Equal(0, (await fixture.Renderer.CompareAsync(drawn, smaller, cancel))!.Largest);
        Assert.Contains("Larkrise", Encoding.Latin1.GetString(smaller), StringComparison.Ordinal);
        Assert.Equal(smaller, (await fixture.Renderer.SmallerAsync(smaller, cancel)).Bytes!);
    }

    [Theory]
    // Round corners stay; of a button shaded from top to bottom every column is the same, and a row in the middle is taken.
    [InlineData("fill='#2c6e54'", "", "10-86", "10-54")]
    [InlineData("fill='url(#g)'", "", "10-86", "32-33")]
    [InlineData("fill='#2c6e54'", "30,20,10,8/", "30-86", "20-56")]
    public async Task The_lines_of_a_nine_patch_are_what_is_alike_in_the_pixels_or_what_is_said(string fill, string said, string across, string down)
    {
        var drawing = RendererFixture.Read($"<defs><linearGradient id='g' x2='0' y2='1'><stop stop-color='#173a45'/><stop offset='1' stop-color='#f3d9a0'/></linearGradient></defs><g id='x'><rect width='96' height='64' rx='10' {fill}/></g>");
        var made = await fixture.Renderer.MakeFileAsync(Isolation.Of(drawing, drawing.Layers.First(l => l.Name == "x")),
            new(new Box(0, 0, 96, 64), (96, 64), (96, 64), new(Format.Png)) { Patch = NinePatch.Parse(said.Length == 0 ? "/" : said) }, cancel);
        using var image = NetVips.Image.NewFromBuffer(made.Bytes!);
        Assert.Equal((98, 66), (image.Width, image.Height));
        using var colours = image.Colourspace(NetVips.Enums.Interpretation.Srgb);
        bool IsBlack(int x, int y) => colours[x, y] is [0, 0, 0, 255];
        bool IsClear(int x, int y) => colours[x, y] is [.., 0];
        string Line(int length, Func<int, (int X, int Y)> at)
        {
            var black = Enumerable.Range(0, length).Where(i => at(i) is var p && IsBlack(p.X, p.Y)).ToList();
            Assert.All(Enumerable.Range(0, length).Except(black), i => Assert.True(at(i) is var p && IsClear(p.X, p.Y)));
            return black.Count == 0 ? "" : $"{black[0] - 1}-{black[^1]}";
        }
        Assert.Equal((across, down), (Line(98, i => (i, 0)), Line(66, i => (0, i))));
        // The label goes where it stretches, as nothing else was said.
        Assert.Equal((across, down), (Line(98, i => (i, 65)), Line(66, i => (97, i))));
    }

    [Theory]
    [InlineData(Dusk)]
    [InlineData("<g id='x'><path d='M20 44h40l-6-8v-12a14 14 0 0 0-28 0v12z' fill='none' stroke='#173a45' stroke-width='3'/><circle cx='40' cy='50' r='4'/></g>")]
    public async Task Nine_of_ten_files_weigh_what_a_look_at_the_layer_said(string inside)
    {
        var drawing = RendererFixture.Read(inside);
        var design = new DesignState(1, "Sky", 1, new(drawing, await fixture.Renderer.MeasureAsync(drawing, null, cancel)), new Dictionary<int, Mark>());
        var layer = drawing.Layers.First(l => l.Name == "x");
        design = design with { Marks = new Dictionary<int, Mark> { [layer.Ordinal] = new(Decision.Ship, null, Tags.Parse("picture png png8 jpeg webp avif svg vector scale:1x,2x,3x")) } };
        var look = await fixture.Renderer.LookAsync(design.Isolate(layer), design.Measured.ShapeOf(layer)!.Value, isExact: false, cancel);
        var files = new PackPlanner(new("engine"), _ => look).Plan([design], [AllPlatforms.List.First(p => p.Id == "web")]).Files;
        var near = new List<bool>();
        foreach (var file in files)
        {
            var made = await fixture.Renderer.MakeFileAsync(design.Isolate(layer), new(file.Source, (file.Ask.Source.Width, file.Ask.Source.Height), (file.Width, file.Height), file.Ask.Format) { Ground = file.Ground }, cancel);
            near.Add(Math.Abs((double)WeightEstimate.Of(file) / made.Bytes!.Length - 1) <= 0.3);
        }
        Assert.True(near.Count > 12 && near.Count(n => n) >= near.Count * 0.9, $"{near.Count(n => n)} of {near.Count}");
    }

    [Fact]
    public async Task AVIF_keeps_thin_lines_of_colour_and_says_nothing_of_holes_where_there_are_none()
    {
        const string Lines = "<g id='x'><rect width='96' height='64' fill='#10181d'/><path d='M4.5 0v64M8.5 0v64M12.5 0v64M16.5 0v64' stroke='#e03030'/></g>";
        var file = await MakeAsync("avif:80", Lines, scale: 1);
        Assert.InRange((await fixture.Renderer.CompareAsync((await MakeAsync("png", Lines, scale: 1)).Bytes!, file.Bytes!, cancel))!.Largest, 0, 24);
        Assert.DoesNotContain("auxiliary:alpha", Encoding.Latin1.GetString(file.Bytes!), StringComparison.Ordinal);
        Assert.Contains("auxiliary:alpha", Encoding.Latin1.GetString((await MakeAsync("avif", "<g id='x'><circle cx='40' cy='30' r='20'/></g>")).Bytes!), StringComparison.Ordinal);
    }

    [Theory]
    [InlineData(false)]
    [InlineData(true)]
    public async Task Files_begin_as_readers_want_them(bool isCredited)
    {
        var credit = isCredited ? new CreditLines("© Larkrise", "Ann", "") : CreditLines.None;
        async Task<string> TextAsync(string ask, string inside = Dusk) => Encoding.Latin1.GetString((await MakeAsync(ask, inside, credit)).Bytes!);
        // Square pixels in a JPEG, no loop in a GIF of one picture, no pixels a metre in a PNG of few colours, and one that was not there before is not missed.
        Assert.StartsWith("\u00ff\u00d8\u00ff\u00e0\0\u0010JFIF\0", await TextAsync("jpeg:80"), StringComparison.Ordinal);
        Assert.DoesNotContain("NETSCAPE", await TextAsync("gif"), StringComparison.Ordinal);
        foreach (var inside in new[] { Dusk, "<g id='x'><rect width='90' height='60' fill='#c70'/><circle cx='40' cy='30' r='20' fill='#173a45'/></g>" })
        {
            Assert.DoesNotContain("pHYs", await TextAsync("png8:60", inside), StringComparison.Ordinal);
        }
        foreach (var ask in new[] { "jpeg:80", "gif", "png8:60" })
        {
            var likeness = (await AgainstPngAsync(await MakeAsync(ask, credit: credit))).Likeness;
            Assert.True(likeness > 0.8, $"{ask}: {likeness}");
        }
    }

    [Theory]
    [InlineData("jpeg:auto", "jpeg:95")]
    [InlineData("webp:auto", "webp:95")]
    [InlineData("avif:auto", "avif:95")]
    [InlineData("png8:auto", "png8:100")]
    public async Task The_smallest_that_looks_the_same_is_found(string ask, string heavy)
    {
        var found = await MakeAsync(ask);
        Assert.Matches(@"^quality \d+ found$", found.Note!);
        // The search is quick and what is kept is better still, so the promise holds with a little to spare or none.
        Assert.True((await AgainstPngAsync(found)).Likeness > Likeness.Same - 0.005);
        Assert.True(found.Bytes!.Length < (await MakeAsync(heavy)).Bytes!.Length);
    }

    [Fact]
    public async Task The_best_within_a_weight_is_found_or_the_least_is_told()
    {
        var bound = await MakeAsync("webp:<1.5kB");
        Assert.InRange(bound.Bytes!.Length, 1, 1_500);
        Assert.Matches(@"^quality \d+ found$", bound.Note!);
        Assert.Contains("as small as it gets", (await MakeAsync("jpeg:<0.2kB")).Note!, StringComparison.Ordinal);
    }

    [Fact]
    public async Task What_keeps_every_pixel_keeps_it_and_few_colours_weigh_less()
    {
        Assert.Equal(0, (await AgainstPngAsync(await MakeAsync("webp:lossless"))).Largest);
        var few = await MakeAsync("png8");
        Assert.True(few.Bytes!.Length < (await MakeAsync("png")).Bytes!.Length);
        Assert.True((await AgainstPngAsync(few)).Likeness > 0.9);
    }

    [Fact]
    public async Task A_picture_too_large_for_its_format_fails_with_the_reason_and_the_worker_goes_on()
    {
        var drawing = RendererFixture.Read(Dusk);
        var isolation = Isolation.Of(drawing, drawing.Layers.First(l => l.Name == "x"));
        var failed = await fixture.Renderer.MakeAsync(new(isolation.Document(new(0, 0, 96, 64), 9_000, 10), 9_000, 10, new(Format.WebP), CreditLines.None), cancel);
        Assert.Contains("8192 px a side", failed.Failure!, StringComparison.Ordinal);
        Assert.NotNull((await MakeAsync("webp")).Bytes);
    }

    [Fact]
    public async Task Pictures_of_two_sizes_are_not_compared() =>
        Assert.Null(await fixture.Renderer.CompareAsync((await MakeAsync("png")).Bytes!, (await MakeAsync("png", scale: 2)).Bytes!, cancel));

    [Fact]
    public async Task Words_become_outlines_for_those_who_have_not_the_font()
    {
        const string Words = "<text id='x' x='4' y='40' font-size='30' font-family='DejaVu Sans'>Hi</text>";
        var (kept, outlined, vector) = (await MakeAsync("svg:text", Words), await MakeAsync("svg", Words), await MakeAsync("vector", Words));
        Assert.Contains("<text", Encoding.UTF8.GetString(kept.Bytes!), StringComparison.Ordinal);
        Assert.DoesNotContain("<text", Encoding.UTF8.GetString(outlined.Bytes!), StringComparison.Ordinal);
        Assert.Contains("<path", Encoding.UTF8.GetString(outlined.Bytes!), StringComparison.Ordinal);
        Assert.Contains("android:pathData", Encoding.UTF8.GetString(vector.Bytes!), StringComparison.Ordinal);
        Assert.Contains("it has a mask", (await MakeAsync("vector", "<mask id='m'/><rect id='x' width='9' height='9' mask='url(#m)'/>")).Failure!, StringComparison.Ordinal);
    }
}
