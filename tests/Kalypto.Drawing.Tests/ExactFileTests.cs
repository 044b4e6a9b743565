using System.Buffers.Binary;
using System.Text;
using Kalypto.Core.Designs;
using Kalypto.Core.Formats;
using Kalypto.Core.Isolating;
using Kalypto.Core.Proving;
using Kalypto.Core.Reading;
using Kalypto.Core.Rendering;

namespace Kalypto.Drawing.Tests;

/// <summary>PDF and icon files of what only a browser draws right.</summary>
public sealed class ExactFileTests(ExactFixture exact) : IClassFixture<ExactFixture>
{
    private const int Side = 96;
    private readonly CancellationToken cancel = TestContext.Current.CancellationToken;

    [Theory]
    [InlineData("<rect id='x' width='96' height='96' fill='#c9711c' style='clip-path:circle(30px at 40px 50px)'/>")]
    [InlineData("<g id='x'><text x='6' y='50' font-family='Figtree' font-size='30' style='font-feature-settings:\"tnum\"' textLength='80'>Wren</text><path d='M10 60h70v20h-70z' style='fill:color-mix(in srgb, red, blue)'/></g>")]
    [InlineData("<g id='x'><foreignObject x='8' y='8' width='80' height='80'><div xmlns='http://www.w3.org/1999/xhtml' style='width:80px;height:80px;background:linear-gradient(90deg,#fc6,#364);border-radius:20px'></div></foreignObject></g>")]
    // Lines thinner than a point, beside what takes the exact engine.
    [InlineData("<g id='x'><path d='M8 20h80M8 30h80M8 40l80 30' fill='none' stroke='#036' stroke-width='.4'/><rect x='70' y='80' width='9' height='9' style='clip-path:circle(3px at 4px 4px)'/></g>")]
    public async Task A_pdf_looks_as_the_browser_shows_it(string inside)
    {
        var scene = Scene(inside);
        var expected = await exact.Renderer.PixelsAsync(scene, Side, Side, cancel);
        var made = await exact.Renderer.MakeAsync(new(scene, Side, Side, new(Format.Pdf), new("2026 Larkrise", "", "")), cancel);
        Assert.Equal((null, null), (expected.Failure, made.Failure));
        // Read as any reader does, its page has the size of the crop in pt.
        var page = await exact.Renderer.ToPlainAsync(made.Bytes!, cancel);
        var drawing = SvgReader.Read(page.Bytes!, "page");
        Assert.Equal((Side, Side), ((int)Math.Round(drawing.Box.Width), (int)Math.Round(drawing.Box.Height)));
        var drawn = await exact.Renderer.PixelsAsync(Isolation.Of(drawing, drawing.Layers[0]).Document(drawing.Box, Side, Side), Side, Side, cancel);
        var other = Differences.Of(expected.Bytes!, drawn.Bytes!, Side, Side);
        Assert.True(other.Share < 0.03, $"{100 * other.Share:0.0}% of the ink is other");
        Assert.Contains(drawn.Bytes!.Chunk(4), p => p[3] == 0);
        // As all others: with its lines, without a date, the same each time.
        var text = Encoding.Latin1.GetString(made.Bytes!);
        Assert.Contains("Larkrise", text, StringComparison.Ordinal);
        Assert.DoesNotContain("CreationDate", text, StringComparison.Ordinal);
        Assert.Equal(made.Bytes, (await exact.Renderer.MakeAsync(new(scene, Side, Side, new(Format.Pdf), new("2026 Larkrise", "", "")), cancel)).Bytes);
    }

    [Fact]
    public async Task Every_size_of_an_icon_file_is_the_browsers()
    {
        var scene = Scene("<rect id='x' width='96' height='96' fill='#f00' style='clip-path:circle(30px at 48px 48px)'/>");
        var made = await exact.Renderer.MakeAsync(new(scene, Side, Side, new(Format.Ico), CreditLines.None), cancel);
        Assert.Null(made.Failure);
        var file = made.Bytes!;
        Assert.Equal(3, BinaryPrimitives.ReadUInt16LittleEndian(file.AsSpan(4)));
        for (var i = 0; i < 3; i++)
        {
            var entry = file.AsSpan(6 + 16 * i);
            var (at, length) = (BinaryPrimitives.ReadInt32LittleEndian(entry[12..]), BinaryPrimitives.ReadInt32LittleEndian(entry[8..]));
            var (width, height, rgba) = PngReader.Read(file.AsSpan(at, length).ToArray());
            Assert.Equal((int)entry[0], width);
            Assert.Equal(width, height);
            Assert.Equal(255, rgba[(width / 2 * width + width / 2) * 4 + 3]);
            Assert.Equal(0, rgba[3]);
            // As much ink as the disc has.
            var ink = rgba.Chunk(4).Sum(p => p[3]) / 255.0 / (width * height);
            Assert.InRange(ink, 0.3, 0.315);
        }
    }

    private Scene Scene(string inside)
    {
        exact.IsNeeded();
        var file = Encoding.UTF8.GetBytes($"<svg xmlns='http://www.w3.org/2000/svg' viewBox='0 0 {Side} {Side}'><rect id='ground' width='96' height='96' fill='lime'/>{inside}</svg>");
        exact.Add(file);
        var drawing = SvgReader.Read(file, "Drawing");
        var scene = Isolation.Of(drawing, drawing.Layers.First(l => l.Name == "x")).Scene(new(0, 0, Side, Side), Side, Side);
        Assert.True(scene.IsExact);
        return scene;
    }
}
