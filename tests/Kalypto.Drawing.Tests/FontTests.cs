using System.Text;
using Kalypto.Core.Designs;
using Kalypto.Core.Fonts;
using Kalypto.Core.Formats;
using Kalypto.Core.Isolating;
using Kalypto.Core.Proving;
using Kalypto.Core.Reading;
using Kalypto.Core.Rendering;

namespace Kalypto.Drawing.Tests;

/// <summary>Fonts of a project: taken in, and drawn with by both engines.</summary>
public class FontTests(ExactFixture exact) : IClassFixture<ExactFixture>
{
    private const int Side = 100;
    private readonly CancellationToken cancel = TestContext.Current.CancellationToken;

    [Fact]
    public async Task Every_wrapping_gives_the_same_font()
    {
        var plain = TestFont.Named(TestFont.Figtree("600SemiBold"), "Figtree", "Wagtail");
        var (font, file) = await exact.ReadFontAsync(plain, "wagtail.ttf", cancel);
        Assert.Equal(plain, file);
        Assert.Equal(("Wagtail", 600, 600, false, FontEmbedding.Installable), (font.Family, font.Lightest, font.Heaviest, font.IsItalic, font.Embedding));
        Assert.True(font.Answers("wagtail semibold") && font.Answers("Wagtail-SemiBold"));
        var (unpacked, tables) = await exact.ReadFontAsync(TestFont.Woff(plain), "wagtail.woff", cancel);
        Assert.Equal(font.Names, unpacked.Names);
        Assert.Equal(await InkAsync(Text("Wagtail SemiBold"), Book(font, file), isExact: false), await InkAsync(Text("Wagtail SemiBold"), Book(unpacked, tables), isExact: false));

        var (variable, _) = await exact.ReadFontAsync(TestFont.Variable(), "outfit.woff2", cancel);
        Assert.Equal(("Outfit", 100, 900), (variable.Family, variable.Lightest, variable.Heaviest));
        Assert.Equal(600, variable.InstanceOf("Outfit SemiBold")!.Weight);
    }

    [Fact]
    public async Task A_collection_gives_each_of_its_fonts()
    {
        var (regular, bold) = (TestFont.Named(TestFont.Figtree(), "Figtree", "Wagtail"), TestFont.Named(TestFont.Figtree("600SemiBold"), "Figtree", "Wagtail"));
        var read = await exact.Renderer.ReadFontsAsync(TestFont.Collection(regular, bold), "wagtail.ttc", cancel);
        Assert.Equal([("Wagtail", 400), ("Wagtail", 600)], read.Select(r => (r.Font.Family, r.Font.Lightest)));
        foreach (var ((font, file), plain) in read.Zip([regular, bold]))
        {
            var (alone, itself) = await exact.ReadFontAsync(plain, "wagtail.ttf", cancel);
            Assert.Equal(await InkAsync(Text("Wagtail"), Book(alone, itself), isExact: false), await InkAsync(Text("Wagtail"), Book(font, file), isExact: false));
            Assert.NotEqual(await InkAsync(Text("Larkrise"), FontBook.Empty, isExact: false), await InkAsync(Text("Wagtail"), Book(font, file), isExact: false));
        }
    }

    [Fact]
    public async Task What_is_no_font_or_broken_is_refused_by_name()
    {
        var woff = TestFont.Woff(TestFont.Figtree());
        foreach (var (file, why) in new (byte[], string)[]
        {
            ("GIF89a and some more"u8.ToArray(), "no font that can be drawn with"), ("ttcf\0\x1\0\0\0\0\0\x2"u8.ToArray(), "broken"), (TestFont.Collection(TestFont.Figtree())[..9000], "broken"),
            (TestFont.Collection([.. Enumerable.Repeat(TestFont.Figtree()[..400], FontCollection.Most + 1)]), "more than 32 fonts"), (TestFont.Shared(new byte[6_000_000], FontCollection.Most), "MB"), (TestFont.Figtree()[..5000], "broken"),
            (woff[..(woff.Length / 2)], "broken"), ([.. "wOF2"u8, .. new byte[2000]], "broken"), (TestFont.Variable()[..9000], "broken"), ([.. "OTTO"u8, 0xff, 0xff, .. new byte[400]], "broken"),
        })
        {
            var refused = await Assert.ThrowsAsync<FontRefusedException>(() => exact.ReadFontAsync(file, "x.ttf", cancel));
            Assert.Contains(why, refused.Message, StringComparison.Ordinal);
        }
    }

    [Theory]
    [InlineData("Wagtail", 400, false)]
    [InlineData("Wagtail", 400, true)]
    // One that comes with Kalypto too: that of the project goes before it.
    [InlineData("Lato", 400, false)]
    [InlineData("Lato", 400, true)]
    public async Task A_font_of_the_project_draws_what_asks_for_it(string family, int weight, bool isExact)
    {
        if (isExact)
        {
            exact.IsNeeded();
        }
        var (font, file) = await exact.ReadFontAsync(TestFont.Named(TestFont.Figtree(), "Figtree", family), "x.ttf", cancel);
        var book = Book(font, file);
        var expected = await PixelsAsync(Text("Figtree", weight), FontBook.Empty, isExact);
        Assert.Equal(expected, await PixelsAsync(Text(family, weight), book, isExact));
        // Neither before nor after it, nor for anybody else.
        Assert.NotEqual(expected, await PixelsAsync(Text(family, weight), FontBook.Empty, isExact));
        Assert.Equal(await PixelsAsync(Text("Roboto", weight), FontBook.Empty, isExact), await PixelsAsync(Text("Roboto", weight), book, isExact));
    }

    [Fact]
    public async Task A_font_of_the_project_is_measured_with()
    {
        var (font, file) = await exact.ReadFontAsync(TestFont.Named(TestFont.Figtree(), "Figtree", "Wagtail"), "x.ttf", cancel);
        var book = Book(font, file);
        var (without, with, figtree) = (await ShapeAsync(Text("Wagtail"), FontBook.Empty), await ShapeAsync(Text("Wagtail"), book), await ShapeAsync(Text("Figtree"), FontBook.Empty));
        Assert.Equal(figtree, with);
        Assert.NotEqual(figtree, without);
        var outlined = Isolation.Of(Text("Wagtail").With(book), Text("Wagtail").Layers[1]);
        Assert.NotEqual(outlined.Fonts, FontBook.Empty);
    }

    [Theory]
    [InlineData("Outfit", 400)]
    [InlineData("Outfit", 250)]
    [InlineData("Outfit", 800)]
    [InlineData("Outfit SemiBold", 400)]
    [InlineData("Outfit Black", 400)]
    public async Task Every_weight_of_a_variable_font_is_drawn_as_a_browser_does(string family, int weight)
    {
        exact.IsNeeded();
        var (font, file) = await exact.ReadFontAsync(TestFont.Variable(), "outfit.woff2", cancel);
        var book = Book(font, file);
        var (ours, theirs) = (await PixelsAsync(Text(family, weight), book, isExact: false), await PixelsAsync(Text(family, weight), book, isExact: true));
        var differences = Differences.Of(ours, theirs, Side, Side);
        Assert.True(differences.Share < 0.02, $"{100 * differences.Share:0.0}% of the ink is other");
        Assert.NotEqual(await InkAsync(Text("Outfit", 400), book, isExact: false), await InkAsync(Text("Outfit", 900), book, isExact: false));
    }

    [Fact]
    public async Task Fonts_that_a_drawing_brings_along_are_found()
    {
        string Face(string family, byte[] font, string more = "") => $"@font-face{{font-family:'{family}';src:local('Nothing'),url(\"data:font/woff2;base64,{Convert.ToBase64String(font)}\") format('woff2');{more}}}";
        var file = Encoding.UTF8.GetBytes($"<svg xmlns='http://www.w3.org/2000/svg' viewBox='0 0 9 9'><defs><style>{Face("Brought", TestFont.Variable())}{Face("Brought", TestFont.Figtree("700Bold"), "font-weight:bold")}"
            + $"@font-face{{font-family:'Elsewhere';src:url(https://example.org/a.woff2)}}{Face("Broken", [1, 2, 3])}.t{{font-family:Brought}}</style></defs><text id='x' class='t'>Wren</text></svg>");
        var found = await exact.Renderer.FontsInAsync(file, cancel);
        Assert.Equal([("Brought", 100, 900), ("Brought", 700, 700)], found.Select(f => (f.Font.Family, f.Font.Lightest, f.Font.Heaviest)));
        Assert.Equal(TestFont.Figtree("700Bold"), found[1].File);
        var drawing = SvgReader.Read(file, "Drawing");
        Assert.Contains("from elsewhere", Assert.Single(drawing.Notes.Where(n => n.Sentence.Contains("@font-face", StringComparison.Ordinal))).Sentence, StringComparison.Ordinal);
        Assert.Equal(2, drawing.With(FontBook.Of(found.Select(f => f.Font))).Fonts.Fonts.Length);
    }

    [Fact]
    public async Task A_font_that_must_not_be_embedded_is_not_in_a_pdf()
    {
        Assert.Contains("/FontFile", await PdfAsync(0), StringComparison.Ordinal);
        Assert.Contains("/FontFile", await PdfAsync(4), StringComparison.Ordinal);
        foreach (ushort fsType in new ushort[] { 2, 0x100, 0x200 })
        {
            var pdf = await PdfAsync(fsType);
            Assert.DoesNotContain("/FontFile", pdf, StringComparison.Ordinal);
            Assert.DoesNotContain("/Font ", pdf, StringComparison.Ordinal);
        }
    }

    private async Task<string> PdfAsync(ushort fsType)
    {
        var (font, file) = await exact.ReadFontAsync(TestFont.Licensed(TestFont.Named(TestFont.Figtree(), "Figtree", "Wagtail"), fsType), "x.ttf", cancel);
        var drawing = Text("Wagtail").With(Book(font, file));
        var scene = Isolation.Of(drawing, drawing.Layers[1]).Scene(drawing.Box, Side, Side);
        var made = await exact.Renderer.MakeAsync(new(scene, Side, Side, new(Format.Pdf), CreditLines.None), cancel);
        Assert.Null(made.Failure);
        return Encoding.Latin1.GetString(made.Bytes!);
    }

    private FontBook Book(Font font, byte[] file)
    {
        Assert.Equal(font.Sha256, exact.Add(file));
        return FontBook.Of([font]);
    }

    private DrawingTree Text(string family, int weight = 400)
    {
        var file = Encoding.UTF8.GetBytes($"<svg xmlns='http://www.w3.org/2000/svg' viewBox='0 0 {Side} {Side}'><text id='x' x='4' y='60' font-family=\"{family}\" font-weight='{weight}' font-size='36'>Wren</text></svg>");
        exact.Add(file);
        return SvgReader.Read(file, "Drawing");
    }

    private async Task<Box?> ShapeAsync(DrawingTree drawing, FontBook book) => (await exact.Renderer.MeasureAsync(drawing.With(book), null, cancel))[1];

    private async Task<long> InkAsync(DrawingTree drawing, FontBook book, bool isExact) => (await PixelsAsync(drawing, book, isExact)).Chunk(4).Sum(p => (long)p[3]);

    private async Task<byte[]> PixelsAsync(DrawingTree drawing, FontBook book, bool isExact)
    {
        var lettered = drawing.With(book);
        var drawn = await exact.Renderer.PixelsAsync(Isolation.Of(lettered, lettered.Layers[1]).Scene(drawing.Box, Side, Side, isExact: isExact), Side, Side, cancel);
        Assert.Null(drawn.Failure);
        return drawn.Bytes!;
    }
}
