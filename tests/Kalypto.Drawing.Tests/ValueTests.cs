using System.Net;
using System.Text;
using Kalypto.Core.Deciding;
using Kalypto.Core.Designs;
using Kalypto.Core.Isolating;
using Kalypto.Core.Proving;
using Kalypto.Core.Reading;
using Kalypto.Core.Styling;
using Kalypto.Core.Styling.Code;

namespace Kalypto.Drawing.Tests;

/// <summary>The CSS of a layer, put into an otherwise empty page, is a browser's picture of the layer.</summary>
public sealed class ValueTests(ExactFixture fixture) : IClassFixture<ExactFixture>
{
    // The browser draws larger and averages, so that half px are seen.
    private const int Scale = 1;
    // As on a screen of so many px a point: boxes begin and end on whole ones of them.
    private const int Zoom = 16;
    private const double MostPixels = 0.02;
    private static readonly string Demo = Path.Combine(AppContext.BaseDirectory, "demo");

    [Theory]
    // Dashed rings: a border has dashes of its own lengths. A pattern of dots: CSS has no patterns.
    [InlineData("visitor-app.svg", "circle")]
    [InlineData("website.svg", "dotted ground")]
    public async Task Every_text_and_box_of_the_demo_is_what_its_css_says(string file, string exceptions)
    {
        var held = await HoldAsync(await File.ReadAllBytesAsync(Path.Combine(Demo, file), TestContext.Current.CancellationToken));
        Assert.Equal("", string.Join("\n\n", held.Wrong));
        Assert.Equal(exceptions, string.Join(", ", held.Told));
        Assert.True(held.Texts >= 20 && held.Boxes >= 5, $"{held.Texts} texts and {held.Boxes} boxes were held.");
    }

    public static TheoryData<string> Written => [.. Exports.All.Keys];

    [Theory]
    [MemberData(nameof(Written))]
    public async Task So_it_is_on_screens_in_other_peoples_ways_of_writing(string name)
    {
        var held = await HoldAsync(Encoding.UTF8.GetBytes(Exports.All[name]));
        Assert.Equal("", string.Join("\n\n", held.Wrong));
        Assert.True(held.Texts + held.Boxes + held.Told.Count > 0, "Nothing was held.");
    }

    [Fact]
    public async Task Whatever_is_drawn_has_values_that_can_be_written_in_every_language()
    {
        var written = 0;
        foreach (var inside in Features.All.Values)
        {
            var drawing = RendererFixture.Read(inside.Replace("xlink:href", "href", StringComparison.Ordinal));
            var design = new DesignState(1, "Drawing", 1, new(drawing, await fixture.Renderer.MeasureAsync(drawing, null, TestContext.Current.CancellationToken)), new Dictionary<int, Mark>());
            foreach (var screen in drawing.Screens)
            {
                var reader = new ValuesReader(design, screen);
                foreach (var values in design.Measured.LayersOf(screen).Select(reader.Of).OfType<LayerValues>())
                {
                    Assert.All(AllCodes.List, code => Assert.DoesNotMatch("NaN|Infinity|∞", code.Write(values, "it", NoNames.One)));
                    written++;
                }
            }
        }
        Assert.True(written > 150, $"{written} were written.");
    }

    private sealed record Held(List<string> Wrong, SortedSet<string> Told, int Texts, int Boxes);

    private async Task<Held> HoldAsync(byte[] file)
    {
        fixture.IsNeeded();
        var cancel = TestContext.Current.CancellationToken;
        fixture.Add(file);
        var drawing = SvgReader.Read(file, "Demo");
        var design = new DesignState(1, "Demo", 1, new(drawing, await fixture.Renderer.MeasureAsync(drawing, null, cancel)), new Dictionary<int, Mark>());
        var (wrong, told, texts, boxes) = (new List<string>(), new SortedSet<string>(StringComparer.Ordinal), 0, 0);
        foreach (var screen in drawing.Screens)
        {
            var reader = new ValuesReader(design, screen);
            var layers = design.Measured.LayersOf(screen).Where(l => l.Children.Count == 0 && !l.HiddenHere && !l.Guide && l.Content is LayerContent.Text or LayerContent.Shape).Select(l => (Layer: l, Values: reader.Of(l))).ToList();
            told.UnionWith(layers.Where(l => l.Values is { Beyond.IsEmpty: false, Outline: null }).Select(l => l.Layer.Name));
            var read = layers.Where(l => l.Values is { Beyond.IsEmpty: true }).ToList();
            var values = TextMeasuring.With([.. read.Select(r => r.Values!)], await fixture.Renderer.MeasureTextAsync(TextMeasuring.AsksOf(read.Select(r => r.Values!)), drawing.Fonts, cancel));
            foreach (var (layer, value) in read.Zip(values, (r, v) => (r.Layer, v)))
            {
                // Boxes only: icons, and the thin strokes that they are made of, ship.
                if (value.Text is null && (value.Outline is not null || Math.Min(value.Box.Width, value.Box.Height) < 2))
                {
                    continue;
                }
                // CSS draws dashes of lengths of its own, and says so.
                if (value.Border is { Dashes.IsEmpty: false })
                {
                    told.Add(layer.Name);
                    continue;
                }
                (texts, boxes) = value.Text is null ? (texts, boxes + 1) : (texts + 1, boxes);
                if (await DiffersAsync(design, screen, layer, value, cancel) is { } why)
                {
                    wrong.Add($"{screen.Name} / {layer.Name}: {why}\n{new CssCode().Write(value, "it", NoNames.One)}");
                }
            }
        }
        return new(wrong, told, texts, boxes);
    }

    private async Task<string?> DiffersAsync(DesignState design, Screen screen, Layer layer, LayerValues values, CancellationToken cancel)
    {
        var reach = values.Shadows.Select(s => Math.Abs(s.X) + Math.Abs(s.Y) + s.Blur + s.Spread).Append(values.Blur * 3).Max() + 8;
        var crop = values.Box.Inflate(reach).SnapOutwards(0);
        var (width, height) = ((int)crop.Width * Scale, (int)crop.Height * Scale);
        var drawn = await fixture.Renderer.PixelsAsync(Isolation.Of(design.Measured.Drawing, layer).Scene(crop with { X = crop.X + screen.Box.X, Y = crop.Y + screen.Box.Y }, width, height, isExact: true), width, height, cancel);
        var document = Page(values, crop, width, height);
        var built = await fixture.Renderer.PixelsAsync(new Scene(() => document, isExact: true), width, height, cancel);
        Assert.Equal((null, null), (drawn.Failure, built.Failure));
        if (values.Text is not null)
        {
            var (a, b) = (Ink(drawn.Bytes!, width), Ink(built.Bytes!, width));
            var isThere = a is { } one && b is { } other && Math.Abs(one.Bottom - other.Bottom) <= Scale && Math.Abs(one.Y - other.Y) <= Scale && Math.Abs(one.X - other.X) <= Scale
                && Math.Abs(one.Width - other.Width) <= Math.Max(Scale, one.Width / 100);
            return isThere ? null : $"its letters lie at {b}, not at {a}";
        }
        var differences = Differences.Of(drawn.Bytes!, built.Bytes!, width, height);
        return differences.Share <= MostPixels ? null : $"{differences.Share:P1} of its pixels are other";
    }

    private static string Page(LayerValues values, Box crop, int width, int height)
    {
        static string Style(IEnumerable<(string, string)> declarations) => WebUtility.HtmlEncode(string.Join("; ", declarations.Select(d => $"{d.Item1}: {d.Item2}")));
        var words = new StringBuilder();
        foreach (var line in values.Text?.Lines ?? [])
        {
            words.Append(words.Length > 0 ? "<br/>" : "");
            foreach (var run in line.Runs)
            {
                words.Append(CssCode.IsLike(run, values.Text!.Main) ? WebUtility.HtmlEncode(run.Words) : $"<span style=\"{Style(CssCode.RunDeclarations(run, values.Text.Main, NoNames.One))}\">{WebUtility.HtmlEncode(run.Words)}</span>");
            }
        }
        return string.Create(System.Globalization.CultureInfo.InvariantCulture, $"""
            <svg xmlns="http://www.w3.org/2000/svg" width="{width}" height="{height}" viewBox="{crop.X * Zoom} {crop.Y * Zoom} {crop.Width * Zoom} {crop.Height * Zoom}"><foreignObject x="0" y="0" width="32000" height="32000" overflow="visible"><div xmlns="http://www.w3.org/1999/xhtml" style="position: relative; zoom: {Zoom}"><div style="{Style(CssCode.Place(values).Concat(CssCode.Declarations(values, NoNames.One)))}">{words}</div></div></foreignObject></svg>
            """);
    }

    private static Box? Ink(byte[] rgba, int width)
    {
        var (left, top, right, bottom) = (int.MaxValue, int.MaxValue, -1, -1);
        for (var i = 0; i < rgba.Length / 4; i++)
        {
            if (rgba[i * 4 + 3] > 32)
            {
                var (x, y) = (i % width, i / width);
                (left, top, right, bottom) = (Math.Min(left, x), Math.Min(top, y), Math.Max(right, x), Math.Max(bottom, y));
            }
        }
        return right < 0 ? null : Box.FromEdges(left, top, right + 1, bottom + 1);
    }
}
