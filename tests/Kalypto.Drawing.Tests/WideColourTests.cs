using System.Text;
using Kalypto.Core.Designs;
using Kalypto.Core.Fonts;
using Kalypto.Core.Formats;
using Kalypto.Core.Isolating;
using Kalypto.Core.Proving;
using Kalypto.Core.Reading;
using Kalypto.Core.Rendering;
using NetVips;

namespace Kalypto.Drawing.Tests;

/// <summary>Colours beyond sRGB come out in Display P3 where that is asked, whatever they come from, and everything else as it does in sRGB.</summary>
public sealed class WideColourTests(ExactFixture exact) : IClassFixture<ExactFixture>
{
    private const int Side = 100;
    private readonly CancellationToken cancel = TestContext.Current.CancellationToken;

    // The most red that Display P3 has, the most green of a photo, and a blue that every screen has.
    private static readonly string Wide = $"<g id='x'><rect width='50' height='50' style='fill:color(display-p3 1 0 0)'/><image x='50' width='50' height='50' preserveAspectRatio='none' href='data:image/png;base64,{Convert.ToBase64String(GreenPhoto())}'/><rect y='50' width='100' height='50' fill='#3a7ca5'/></g>";

    private static byte[] GreenPhoto()
    {
        using var sizes = Image.Black(8, 8);
        using var green = sizes.NewFromImage(0, 255, 0).Cast(Enums.BandFormat.Uchar).Copy(interpretation: Enums.Interpretation.Srgb);
        using var marked = green.Mutate(m => m.Set(GValue.BlobType, "icc-profile-data", Image.ProfileLoad("p3")));
        return marked.PngsaveBuffer();
    }

    private Isolation IsolationOf(string inside)
    {
        var drawing = Read(inside);
        return Isolation.Of(drawing, drawing.Layers.First(l => l.Name == "x"));
    }

    private DrawingTree Read(string inside)
    {
        exact.IsNeeded();
        var file = Encoding.UTF8.GetBytes($"<svg xmlns='http://www.w3.org/2000/svg' xmlns:xlink='http://www.w3.org/1999/xlink' viewBox='0 0 {Side} {Side}'>{inside}</svg>");
        exact.Add(file);
        return SvgReader.Read(file, "Drawing");
    }

    private async Task<Image> MakeAsync(Isolation isolation, string ask, bool keepsWide)
    {
        var made = await exact.Renderer.MakeFileAsync(isolation, new(new(0, 0, Side, Side), (Side, Side), (Side, Side), FormatAsk.Parse(ask)!) { KeepsWide = keepsWide }, cancel);
        Assert.Null(made.Failure);
        return Image.NewFromBuffer(made.Bytes!);
    }

    private static void AssertAt(Image image, int x, int y, double[] colour, double most) =>
        Assert.All(image.Getpoint(x, y).Take(3).Zip(colour), pair => Assert.InRange(pair.First, pair.Second - most, pair.Second + most));

    [Theory]
    [InlineData("png", 1)]
    [InlineData("png8", 1)]
    [InlineData("jpeg:95", 4)]
    [InlineData("webp:lossless", 1)]
    [InlineData("webp:auto", 12)]
    [InlineData("avif:90", 4)]
    public async Task Formats_that_say_their_colours_keep_them(string ask, double most)
    {
        var isolation = IsolationOf(Wide);
        Assert.True(isolation.IsWide);
        using var wide = await MakeAsync(isolation, ask, keepsWide: true);
        Assert.Equal(Image.ProfileLoad("p3"), (byte[])wide.Get("icc-profile-data"));
        AssertAt(wide, 25, 25, [255, 0, 0], most);
        AssertAt(wide, 75, 25, [0, 255, 0], most);
        using var seen = wide.IccTransform("srgb", embedded: true, intent: Enums.Intent.Relative, depth: 8);
        AssertAt(seen, 50, 75, [0x3a, 0x7c, 0xa5], most + 1);
        // Not asked for, they are the nearest that every screen has, and nothing is said of them.
        using var plain = await MakeAsync(isolation, ask, keepsWide: false);
        Assert.DoesNotContain("icc-profile-data", plain.GetFields());
        AssertAt(plain, 25, 25, [255, 0, 0], most + 1);
        AssertAt(plain, 50, 75, [0x3a, 0x7c, 0xa5], most + 1);
    }

    [Theory]
    // A shadow of the whole group, as most exports write it: it takes no colour from what it falls from.
    [InlineData("<filter id='f' x='-.5' y='-.5' width='2' height='2'><feDropShadow dx='4' dy='4' stdDeviation='2' flood-color='#c30'/></filter><g id='x' filter='url(#f)'>{0}</g>", 60, 77)]
    [InlineData("<filter id='f' x='-.5' y='-.5' width='2' height='2' color-interpolation-filters='sRGB'><feOffset in='SourceAlpha' dx='4' dy='4'/><feColorMatrix values='0 0 0 0 .8 0 0 0 0 .2 0 0 0 0 0 0 0 0 1 0' result='s'/><feBlend in='SourceGraphic' in2='s'/></filter><g id='x' filter='url(#f)'>{0}</g>", 60, 76)]
    public async Task An_effect_takes_no_colour_away_and_has_its_own(string around, int shadowX, int shadowY)
    {
        var isolation = IsolationOf(string.Format(System.Globalization.CultureInfo.InvariantCulture, around, "<rect x='20' y='20' width='50' height='25' style='fill:color(display-p3 1 0 0)'/><rect x='20' y='45' width='50' height='30' fill='#3a7ca5'/>"));
        using var wide = await MakeAsync(isolation, "png", keepsWide: true);
        AssertAt(wide, 40, 30, [255, 0, 0], 1);
        using var seen = wide.IccTransform("srgb", embedded: true, intent: Enums.Intent.Relative, depth: 8);
        AssertAt(seen, 40, 60, [0x3a, 0x7c, 0xa5], 2);
        AssertAt(seen, shadowX, shadowY, [0xcc, 0x33, 0], 4);
    }

    [Theory]
    [InlineData("<g id='x'><rect width='70' height='70' fill='#fc6'/><circle cx='60' cy='60' r='35' fill='#3a7ca5' style='mix-blend-mode:difference'/></g>")]
    [InlineData("<g id='x' opacity='.8'><linearGradient id='l'><stop stop-color='#ffb35c'/><stop offset='1' stop-color='#173a45'/></linearGradient><rect x='9.3' y='8.7' width='81' height='60' rx='12' fill='url(#l)'/><circle cx='50' cy='60' r='30' fill='#fff' fill-opacity='.4' stroke='#301040' stroke-width='3'/></g>")]
    [InlineData("<g id='x'><text x='6' y='40' font-family='Figtree' font-size='24' fill='#173a45'>Wren 7</text><text x='6' y='80' font-family='Noto Serif' font-size='18' style='text-shadow:2px 2px 3px #c60'>Larkrise</text></g>")]
    [InlineData("<filter id='f'><feDropShadow dx='3' dy='5' stdDeviation='4' flood-color='#402060'/></filter><rect id='x' x='20' y='20' width='50' height='50' fill='#7ac' filter='url(#f)'/>")]
    [InlineData("<filter id='f'><feGaussianBlur in='SourceAlpha' stdDeviation='3'/><feSpecularLighting surfaceScale='5' specularExponent='20' lighting-color='#fff'><fePointLight x='20' y='10' z='60'/></feSpecularLighting><feComposite in2='SourceGraphic' operator='arithmetic' k2='1' k3='1'/></filter><circle id='x' cx='50' cy='50' r='35' fill='#3a7ca5' filter='url(#f)'/>")]
    [InlineData("<g id='x'><foreignObject x='8' y='8' width='80' height='80'><div xmlns='http://www.w3.org/1999/xhtml' style='width:80px;height:80px;background:conic-gradient(#fc6,#364,#fc6);border-radius:20px'></div></foreignObject></g>")]
    public async Task What_is_within_srgb_looks_the_same(string inside)
    {
        var isolation = IsolationOf(inside);
        Assert.False(isolation.IsWide);
        var expected = await exact.Renderer.PixelsAsync(isolation.Scene(new(0, 0, Side, Side), Side, Side, isExact: true), Side, Side, cancel);
        using var wide = await MakeAsync(isolation, "png", keepsWide: true);
        using var seen = wide.IccTransform("srgb", embedded: true, intent: Enums.Intent.Relative, depth: 8);
        var drawn = seen.WriteToMemory<byte>();
        Assert.InRange(Differences.Of(expected.Bytes!, drawn, Side, Side).Share, 0, 0.005);
        Assert.InRange(expected.Bytes!.Zip(drawn, (a, b) => Math.Abs(a - b)).Average(), 0, 2);
    }

    [Fact]
    public async Task A_photo_that_comes_in_by_itself_keeps_them_and_is_shown_in_srgb()
    {
        exact.IsNeeded();
        var kept = await exact.Renderer.ToPlainAsync(GreenPhoto(), cancel);
        var drawing = DrawingReader.Read(kept.Bytes!, "Meadow");
        var isolation = Isolation.Of(drawing, drawing.Layers[1]);
        Assert.True(isolation.IsWide);
        Assert.Empty(isolation.Beyond);
        var made = await exact.Renderer.MakeFileAsync(isolation, new(drawing.Box, (8, 8), (8, 8), new(Format.Png)) { KeepsWide = true }, cancel);
        using var wide = Image.NewFromBuffer(made.Bytes!);
        AssertAt(wide, 4, 4, [0, 255, 0], 1);
        // The nearest green of sRGB, by the quick engine.
        using var expected = Image.NewFromBuffer(GreenPhoto()).IccTransform("srgb", embedded: true, intent: Enums.Intent.Relative, depth: 8);
        var plain = await exact.Renderer.PixelsAsync(isolation.Scene(drawing.Box, 8, 8), 8, 8, cancel);
        Assert.All(plain.Bytes![..3].Zip(expected.Getpoint(4, 4)), pair => Assert.InRange(pair.First, pair.Second - 2, pair.Second + 2));
    }

    [Fact]
    public async Task Letters_are_those_of_the_projects_own_fonts()
    {
        var (font, file) = await exact.ReadFontAsync(TestFont.Named(TestFont.Figtree(), "Figtree", "Wagtail"), "x.ttf", cancel);
        exact.Add(file);
        async Task<byte[]> Drawn(string family, FontBook book)
        {
            var drawing = Read($"<text id='x' x='4' y='60' font-family='{family}' font-size='36' style='fill:color(display-p3 1 0 0)'>Wren</text>");
            using var made = await MakeAsync(Isolation.Of(drawing.With(book), drawing.With(book).Layers.First(l => l.Name == "x")), "png", keepsWide: true);
            return made.WriteToMemory<byte>();
        }
        var expected = await Drawn("Figtree", FontBook.Empty);
        Assert.Equal(expected, await Drawn("Wagtail", FontBook.Of([font])));
        Assert.NotEqual(expected, await Drawn("Wagtail", FontBook.Empty));
    }
}
