using Kalypto.Core.Designs;
using Kalypto.Core.Formats;
using Kalypto.Core.Isolating;
using Kalypto.Core.Proving;
using Kalypto.Core.Reading;
using Kalypto.Core.Rendering;

namespace Kalypto.Drawing.Tests;

/// <summary>A crop through an effect shows just that part of it: what lies outside the crop casts its shadow into it all the same.</summary>
public sealed class CutEffectTests(RendererFixture fixture)
{
    // Large enough for both to be drawn at their own size.
    private const int Scale = 9;
    private static readonly Box Whole = new(0, 0, 100, 100);
    private static readonly Box Cut = new(40, 20, 40, 24);
    private readonly CancellationToken cancel = TestContext.Current.CancellationToken;

    public static TheoryData<string> Effects => [
        "<filter id='f' x='-1' y='-1' width='3' height='3'><feDropShadow dx='0' dy='14' stdDeviation='6'/></filter><g id='x'><rect x='20' y='2' width='70' height='16' fill='#06c' filter='url(#f)'/></g>",
        "<g id='x'><rect x='20' y='2' width='70' height='16' fill='#06c' style='filter:drop-shadow(0 14px 6px rgba(0, 0, 0, .6))'/></g>",
        "<g id='x'><rect x='20' y='10' width='40' height='70' fill='#06c' style='filter:blur(5px)'/></g>",
        "<filter id='f' x='-1' y='-1' width='3' height='3'><feGaussianBlur stdDeviation='1.5'/></filter><g id='x' transform='scale(4)'><rect x='5' y='1' width='8' height='15' fill='#06c' filter='url(#f)'/></g>",
        "<filter id='f' x='-1' y='-1' width='3' height='3' primitiveUnits='objectBoundingBox'><feGaussianBlur stdDeviation='.1'/></filter><g id='x'><rect x='10' y='10' width='50' height='50' fill='#06c' filter='url(#f)'/></g>",
        "<filter id='f' x='-5' y='-5' width='11' height='11'><feOffset dx='60' dy='30'/></filter><g id='x'><circle cx='2' cy='2' r='10' fill='#06c' filter='url(#f)'/></g>",
        // What one effect made goes into the next, and reaches beyond every shape.
        "<filter id='f' x='-5' y='-5' width='11' height='11'><feOffset dy='25'/></filter><filter id='b' x='-5' y='-5' width='11' height='11'><feGaussianBlur stdDeviation='4'/></filter><g id='x' filter='url(#b)'><rect x='20' width='70' height='8' fill='#06c' filter='url(#f)'/></g>",
        "<symbol id='s' viewBox='0 0 100 100'><rect x='20' y='10' width='40' height='70' fill='#06c' style='filter:blur(5px)'/></symbol><g id='x'><use href='#s' width='100' height='100'/></g>",
        // Shown twice, of which the larger one matters.
        "<defs><g id='s'><rect x='20' y='5' width='40' height='70' fill='#06c' style='filter:blur(2.5px)'/></g></defs><g id='x'><use href='#s' x='400'/><use href='#s' transform='scale(2)' x='-10'/></g>",
        "<filter id='f' x='-1' y='-1' width='3' height='3'><feMorphology operator='dilate' radius='9'/><feGaussianBlur stdDeviation='2' result='a'/><feFlood flood-color='red'/><feComposite in2='a' operator='in'/></filter><g id='x'><rect x='10' y='2' width='70' height='16' filter='url(#f)'/></g>",
    ];

    [Theory]
    [MemberData(nameof(Effects))]
    public async Task A_part_of_a_picture_is_that_part_of_the_whole(string inside)
    {
        var drawing = RendererFixture.Read(inside);
        var isolation = Isolation.Of(drawing, drawing.Layers.First(l => l.Name == "x"));
        var whole = await PixelsAsync(isolation.QuickScene(Whole.Inflate(50), 200 * Scale, 200 * Scale), 200 * Scale, 200 * Scale);
        var (width, height) = ((int)Cut.Width * Scale, (int)Cut.Height * Scale);
        var expected = PartOf(whole, 200 * Scale, (int)(Cut.X + 50) * Scale, (int)(Cut.Y + 50) * Scale, width, height);
        Assert.InRange(expected.Chunk(4).Count(p => p[3] > 0), 200, width * height);
        Assert.InRange(Furthest(expected, await PixelsAsync(isolation.QuickScene(Cut, width, height), width, height)), 0, 2);
        // As without its margin it would not be.
        Assert.InRange(Furthest(expected, await PixelsAsync(isolation.Document(Cut, width, height), width, height)), 20, 255);
    }

    [Theory]
    [InlineData("filterUnits='userSpaceOnUse' x='20' y='10' width='60' height='70'", "<feFlood flood-opacity='0' result='b'/><feBlend in='SourceGraphic' in2='b' result='shape'/><feColorMatrix in='SourceAlpha' values='0 0 0 0 0 0 0 0 0 0 0 0 0 0 0 0 0 0 127 0' result='h'/><feOffset dx='-14' dy='24'/><feGaussianBlur stdDeviation='3'/><feComposite in2='h' operator='arithmetic' k2='-1' k3='1'/><feColorMatrix values='0 0 0 0 0 0 0 0 0 0 0 0 0 0 0 0 0 0 0.5 0'/><feBlend in2='shape'/>")]
    [InlineData("x='-1' y='-1' width='3' height='3'", "<feFlood/><feComposite in2='SourceAlpha' operator='out'/><feGaussianBlur stdDeviation='4'/><feComposite in2='SourceAlpha' operator='in' result='a'/><feMerge><feMergeNode in='SourceGraphic'/><feMergeNode in='a'/></feMerge>")]
    public async Task A_crop_that_holds_the_shape_holds_what_goes_out_of_it_and_comes_back(string region, string steps)
    {
        var drawing = RendererFixture.Read($"<filter id='f' color-interpolation-filters='sRGB' {region}>{steps}</filter><g id='x' filter='url(#f)'><rect x='20' y='20' width='60' height='50' fill='#7bb'/></g>");
        var shape = new Box(20, 20, 60, 50);
        var isolation = Isolation.Of(drawing, drawing.Layers.First(l => l.Name == "x"), whole: () => shape);
        var whole = await PixelsAsync(isolation.QuickScene(Whole.Inflate(50), 600, 600), 600, 600);
        var expected = PartOf(whole, 600, (20 + 50) * 3, (20 + 50) * 3, 180, 150);
        Assert.InRange(Furthest(expected, await PixelsAsync(isolation.QuickScene(shape, 180, 150), 180, 150)), 0, 4);
        Assert.InRange(Furthest(expected, await PixelsAsync(isolation.Document(shape, 180, 150), 180, 150)), 20, 255);
    }

    [Fact]
    public async Task Icon_files_and_PDFs_of_a_part_show_it_too()
    {
        var drawing = RendererFixture.Read(Effects.First().Data);
        var isolation = Isolation.Of(drawing, drawing.Layers.First(l => l.Name == "x"));
        var crop = new Box(40, 20, 32, 32);
        var ico = (await fixture.Renderer.MakeFileAsync(isolation, new(crop, (48, 48), (48, 48), new(Format.Ico)), cancel)).Bytes!;
        Assert.NotEqual(0, ico[4]);
        for (var at = 6; at < 6 + 16 * ico[4]; at += 16)
        {
            var (side, from) = ((int)ico[at], BitConverter.ToInt32(ico, at + 12));
            var entry = RgbaOf(ico[from..(from + BitConverter.ToInt32(ico, at + 8))]);
            var expected = await PixelsAsync(isolation.QuickScene(crop, side, side), side, side);
            Assert.InRange(Furthest(expected, entry), 0, 2);
        }
        var pdf = await fixture.Renderer.MakeFileAsync(isolation, new(crop, (96, 96), (96, 96), new(Format.Pdf)), cancel);
        var read = DrawingReader.Read((await fixture.Renderer.ToPlainAsync(pdf.Bytes!, cancel)).Bytes!, "Part");
        var (drawn, printed) = (await PixelsAsync(isolation.QuickScene(crop, 96, 96), 96, 96), await PixelsAsync(Isolation.Of(read, read.Layers[0]).Document(read.Box, 96, 96), 96, 96));
        Assert.InRange(Differences.Of(drawn, printed, 96, 96).Share, 0, 0.02);
    }

    [Fact]
    public void What_is_drawn_whole_has_no_margin_and_what_is_too_large_less_of_it()
    {
        var drawing = RendererFixture.Read(Effects.First().Data);
        var isolation = Isolation.Of(drawing, drawing.Layers.First(l => l.Name == "x"), whole: () => new(20, 2, 70, 16));
        Assert.Equal(0, isolation.Scene(Whole.Inflate(50), 400, 400).Margin);
        Assert.InRange(isolation.Scene(Cut, 120, 72).Margin, 30 * 3, 40 * 3);
        var large = isolation.Scene(new(0, 0, 50, 50), 4000, 4000);
        Assert.InRange((4000 + 2 * large.Margin) * (4000 + 2 * large.Margin), 16e6, 20e6);
        Assert.Equal(0, isolation.Scene(Cut, 40, 24, step: 8).Margin % 8);
    }

    private async Task<byte[]> PixelsAsync(Scene scene, int width, int height)
    {
        var drawn = await fixture.Renderer.PixelsAsync(scene, width, height, cancel);
        Assert.Null(drawn.Failure);
        return drawn.Bytes!;
    }

    private static byte[] RgbaOf(byte[] png) => PngReader.Read(png) is var (_, _, rgba) ? [.. rgba] : [];

    private static byte[] PartOf(byte[] rgba, int stride, int left, int top, int width, int height) =>
        [.. Enumerable.Range(top, height).SelectMany(y => rgba.AsSpan((y * stride + left) * 4, width * 4).ToArray())];

    private static int Furthest(byte[] one, byte[] other)
    {
        Assert.Equal(one.Length, other.Length);
        return Enumerable.Range(0, one.Length / 4).Max(i => Enumerable.Range(0, 4).Max(c => Math.Abs(Premultiplied(one, i, c) - Premultiplied(other, i, c))));

        static int Premultiplied(byte[] rgba, int i, int c) => c == 3 ? rgba[4 * i + 3] : rgba[4 * i + c] * rgba[4 * i + 3] / 255;
    }
}
