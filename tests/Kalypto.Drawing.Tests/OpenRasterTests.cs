using System.IO.Compression;
using System.Text;
using Kalypto.Core.Isolating;
using Kalypto.Core.Reading;
using Kalypto.Core.Rendering;
using Kalypto.Drawing.Encoders;

namespace Kalypto.Drawing.Tests;

/// <summary>OpenRaster drawings, drawn as their format says: compared with a plain compositor written after the W3C's formulas.</summary>
public sealed class OpenRasterTests(RendererFixture fixture, ExactFixture exact) : IClassFixture<ExactFixture>
{
    private const int Side = 32;
    private readonly CancellationToken cancel = TestContext.Current.CancellationToken;

    private delegate double Blend(double below, double above);

    private static readonly Dictionary<string, Blend> Blends = new()
    {
        ["src-over"] = (_, s) => s,
        ["multiply"] = (b, s) => b * s,
        ["screen"] = (b, s) => b + s - b * s,
        ["overlay"] = (b, s) => b <= 0.5 ? 2 * b * s : 1 - 2 * (1 - b) * (1 - s),
        ["darken"] = Math.Min,
        ["lighten"] = Math.Max,
        ["difference"] = (b, s) => Math.Abs(b - s),
    };

    [Theory]
    [InlineData("src-over", 1)]
    [InlineData("src-over", 0.4)]
    [InlineData("multiply", 1)]
    [InlineData("screen", 0.7)]
    [InlineData("overlay", 1)]
    [InlineData("darken", 1)]
    [InlineData("lighten", 1)]
    [InlineData("difference", 1)]
    [InlineData("plus", 1)]
    [InlineData("plus", 0.5)]
    [InlineData("dst-in", 1)]
    [InlineData("dst-out", 1)]
    [InlineData("src-atop", 1)]
    [InlineData("dst-atop", 1)]
    public async Task The_composed_picture_is_what_the_operators_say(string op, double opacity)
    {
        var (below, above) = (Layer(1, soft: true), Layer(2, soft: true));
        var stack = $"<layer name='above' src='b.png' composite-op='svg:{op}' opacity='{opacity.ToString(System.Globalization.CultureInfo.InvariantCulture)}'/><layer name='below' src='a.png'/>";
        await SameAsync(stack, Composed(op, opacity, below, above), ("a.png", below), ("b.png", above));
    }

    [Fact]
    public async Task Stacks_move_fade_hide_and_isolate_what_is_in_them()
    {
        var (a, b) = (Layer(3, soft: true), Layer(4, soft: true));
        var moved = new byte[a.Length];
        for (var y = 5; y < Side; y++)
        {
            for (var x = 3; x < Side; x++)
            {
                Array.Copy(b, ((y - 5) * Side + x - 3) * 4, moved, (y * Side + x) * 4, 4);
            }
        }
        await SameAsync("""
            <layer name='hidden' src='b.png' visibility='hidden'/>
            <stack name='faded' opacity='0.5'><stack name='moved' x='3'><layer src='b.png' y='5'/></stack></stack>
            <layer name='ground' src='a.png'/>
            """, Composed("src-over", 0.5, a, moved), ("a.png", a), ("b.png", b));
    }

    [Fact]
    public async Task WebP_is_made_png_and_rubbish_is_refused()
    {
        var rgba = Layer(5, soft: false);
        using var image = NetVips.Image.NewFromMemory(rgba, Side, Side, 4, NetVips.Enums.BandFormat.Uchar).Copy(interpretation: NetVips.Enums.Interpretation.Srgb);
        var webp = image.WebpsaveBuffer(lossless: true);
        Assert.Equal(FileType.Webp, FileTypes.Of(webp));
        var made = await fixture.Renderer.ToPlainAsync(webp, cancel);
        var (width, height, pixels) = PngReader.Read(made.Bytes!);
        Assert.Equal((Side, Side), (width, height));
        Assert.True(Difference(rgba, pixels) < 0.01);
        Assert.Contains("cannot be read", (await fixture.Renderer.ToPlainAsync([.. "RIFF"u8, 9, 0, 0, 0, .. "WEBPnothing"u8], cancel)).Failure, StringComparison.Ordinal);
    }

    [Fact]
    public void A_font_that_is_there_needs_no_other_in_its_place()
    {
        Assert.Null(fixture.Renderer.StandInFor("Figtree"));
        // The common free families are there on every machine.
        Assert.All(["DejaVu Sans", "Inter", "Roboto", "Open Sans", "Lato", "Noto Sans", "Noto Color Emoji"], family => Assert.Null(fixture.Renderer.StandInFor(family)));
        Assert.NotNull(fixture.Renderer.StandInFor("No Such Family"));
    }

    private async Task SameAsync(string stack, byte[] expected, params (string Name, byte[] Rgba)[] layers)
    {
        using var stream = new MemoryStream();
        using (var zip = new ZipArchive(stream, ZipArchiveMode.Create, leaveOpen: true))
        {
            void Add(string name, byte[] bytes)
            {
                using var entry = zip.CreateEntry(name, CompressionLevel.NoCompression).Open();
                entry.Write(bytes);
            }
            Add("mimetype", "image/openraster"u8.ToArray());
            Add("stack.xml", Encoding.UTF8.GetBytes($"<image w='{Side}' h='{Side}'><stack>{stack}</stack></image>"));
            foreach (var (name, rgba) in layers)
            {
                Add(name, PngEncoder.Encode(rgba, Side, Side, Effort.Quick));
            }
        }
        var drawing = DrawingReader.Read(stream.ToArray(), "Drawing");
        var isolation = Isolation.Of(drawing, drawing.Layers[0]);
        // There is no SVG to cut it out of: what only a browser draws it draws as it was read.
        var isExact = !isolation.Beyond.IsEmpty;
        if (isExact)
        {
            exact.IsNeeded();
        }
        var drawn = await (isExact ? exact.Renderer : fixture.Renderer).PixelsAsync(isolation.Scene(drawing.Box, Side, Side), Side, Side, cancel);
        var difference = Difference(expected, drawn.Bytes!);
        Assert.True(difference <= 2, $"{difference:0.00}/255 on average");
    }

    // On average over premultiplied channels, as two pictures look.
    private static double Difference(byte[] one, byte[] two)
    {
        var sum = 0.0;
        for (var i = 0; i < one.Length; i += 4)
        {
            for (var c = 0; c < 3; c++)
            {
                sum += Math.Abs(one[i + c] * one[i + 3] - two[i + c] * two[i + 3]) / 255.0;
            }
            sum += Math.Abs(one[i + 3] - two[i + 3]);
        }
        return sum / one.Length;
    }

    private static byte[] Layer(int seed, bool soft)
    {
        var rgba = new byte[Side * Side * 4];
        for (var i = 0; i < Side * Side; i++)
        {
            var (x, y) = (i % Side, i / Side);
            rgba[i * 4] = (byte)(x * 8 * seed % 256);
            rgba[i * 4 + 1] = (byte)(y * 8);
            rgba[i * 4 + 2] = (byte)((x + y) * 4);
            var inside = (x - 16 + seed) * (x - 16 + seed) + (y - 16) * (y - 16) < 160;
            rgba[i * 4 + 3] = soft ? (byte)Math.Clamp(seed % 2 == 0 ? x * 9 : y * 9, 0, 255) : inside ? (byte)255 : (byte)0;
        }
        return rgba;
    }

    private static byte[] Composed(string op, double opacity, byte[] below, byte[] above)
    {
        var result = new byte[below.Length];
        for (var i = 0; i < below.Length; i += 4)
        {
            var (alphaB, alphaS) = (below[i + 3] / 255.0, above[i + 3] / 255.0 * opacity);
            var alpha = op switch { "dst-in" or "src-atop" => op == "dst-in" ? alphaB * alphaS : alphaB, "dst-out" => alphaB * (1 - alphaS), "dst-atop" => alphaS, "plus" => Math.Min(1, alphaS + alphaB), _ => alphaS + alphaB * (1 - alphaS) };
            for (var c = 0; c < 3; c++)
            {
                var (b, s) = (below[i + c] / 255.0, above[i + c] / 255.0);
                var premultiplied = op switch
                {
                    "dst-in" => b * alphaB * alphaS,
                    "dst-out" => b * alphaB * (1 - alphaS),
                    "plus" => Math.Min(1, s * alphaS + b * alphaB),
                    "src-atop" => s * alphaS * alphaB + b * alphaB * (1 - alphaS),
                    "dst-atop" => b * alphaB * alphaS + s * alphaS * (1 - alphaB),
                    _ => alphaS * ((1 - alphaB) * s + alphaB * Blends[op](b, s)) + (1 - alphaS) * alphaB * b,
                };
                result[i + c] = (byte)Math.Round(alpha <= 0 ? 0 : 255 * Math.Clamp(premultiplied / alpha, 0, 1));
            }
            result[i + 3] = (byte)Math.Round(255 * alpha);
        }
        return result;
    }
}
