using System.Text;
using Kalypto.Core.Deciding;
using Kalypto.Core.Designs;
using Kalypto.Core.Formats;
using Kalypto.Core.Isolating;
using Kalypto.Core.Proving;
using Kalypto.Core.Reading;
using Kalypto.Core.Rendering;

namespace Kalypto.Drawing.Tests;

/// <summary>PDF comes in: pages are screens, groups of optional content are layers, words are known, shapes stay shapes.</summary>
public sealed class PdfTests(RendererFixture fixture) : IClassFixture<RendererFixture>
{
    private readonly CancellationToken cancel = TestContext.Current.CancellationToken;

    private async Task<DrawingTree> ReadAsync(byte[] pdf)
    {
        var svg = await fixture.Renderer.ToPlainAsync(pdf, cancel);
        Assert.Null(svg.Failure);
        return DrawingReader.Read(svg.Bytes, "Leaflet");
    }

    private static byte[] Pdf(string objects, string content) => Encoding.Latin1.GetBytes($"%PDF-1.5\n{objects}\n9 0 obj <</Length {content.Length}>> stream\n{content}\nendstream endobj\ntrailer <</Root 1 0 R /Size 10>>\n%%EOF");

    private const string Catalog = "2 0 obj <</Type /Pages /Kids [3 0 R] /Count 1>> endobj\n3 0 obj <</Type /Page /Parent 2 0 R /MediaBox [0 0 200 100] /Contents 9 0 R /Resources <</Properties <</A 5 0 R /B 6 0 R>> /Font <</F 4 0 R>>>>>> endobj\n4 0 obj <</Type /Font /Subtype /Type1 /BaseFont /Helvetica>> endobj";

    private const string Optional = $"1 0 obj <</Type /Catalog /Pages 2 0 R /OCProperties <</OCGs [5 0 R 6 0 R] /D <</Order [5 0 R 6 0 R] /OFF [6 0 R]>>>>>> endobj\n{Catalog}\n5 0 obj <</Type /OCG /Name (stars)>> endobj\n6 0 obj <</Type /OCG /Name (notes)>> endobj";

    [Fact]
    public async Task Groups_of_optional_content_are_layers_in_their_order_and_lines_of_words_are_text()
    {
        var drawing = await ReadAsync(Pdf(Optional,
            "1 0 0 rg 0 0 200 100 re f /OC /A BDC 1 1 0 rg 20 20 30 30 re f 60 20 30 30 re f EMC 0 0 1 rg 0 0 200 10 re f /OC /B BDC 0 1 0 rg 100 50 20 20 re f EMC BT /F 16 Tf 20 70 Td (Open tonight) Tj 0 -20 Td (from ) Tj (nine) Tj ET"));
        Assert.Equal((200, 100), (drawing.Box.Width, drawing.Box.Height));
        var top = drawing.Layers[0].Children.ToList();
        // The one beneath, the stars on it, the ground on these, the notes that are hidden, the words.
        Assert.Equal([LayerContent.Shape, LayerContent.Group, LayerContent.Shape, LayerContent.Group, LayerContent.Text, LayerContent.Text], top.Select(l => l.Content));
        Assert.Equal(["stars", "notes", "Open tonight", "from nine"], top.Where(l => l.Content != LayerContent.Shape).Select(l => l.Name));
        Assert.Equal([false, true], top.Where(l => l.Content == LayerContent.Group).Select(l => l.Hidden));
        Assert.Equal(2, top[1].Children.Count);
        Assert.Equal("Open tonight", LayerText.Of(top[4]));
        // Outlines need no font, and what they say is no part of a file.
        Assert.Empty(Isolation.Of(drawing, top[4]).FontFamilies);
        var svg = (await fixture.Renderer.MakeFileAsync(Isolation.Of(drawing, top[4]), new(drawing.Box, (200, 100), (200, 100), FormatAsk.Parse("svg")!), cancel)).Bytes!;
        Assert.DoesNotContain("data-words", Encoding.UTF8.GetString(svg));
    }

    private const string Marked = $"1 0 obj <</Type /Catalog /Pages 2 0 R /StructTreeRoot <</Type /StructTreeRoot /K <</S /Document /K [<</S /Figure /Alt (the dome) /Pg 3 0 R /K [1 <</Type /MCR /MCID 2>>]>> <</S /P /Pg 3 0 R /K 3>>]>>>>>> endobj\n{Catalog}\n5 0 obj <</Title (moon card)>> endobj\n6 0 obj <</MCID 3>> endobj";

    [Theory]
    // By a title, a tag of its own, and a figure of the structure that is marked in two pieces.
    [InlineData("/Card /A BDC 1 1 0 rg 20 20 30 30 re f 60 20 30 30 re f EMC", "moon card")]
    [InlineData("/Star#20map BMC 1 1 0 rg 20 20 30 30 re f 60 20 30 30 re f EMC", "Star map")]
    [InlineData("/Figure <</MCID 1>> BDC 1 1 0 rg 20 20 30 30 re f EMC /Figure <</MCID 2>> BDC 60 20 30 30 re f EMC", "the dome")]
    [InlineData("/Sect <</Title (a \\(b (c\\)d) e) /X <</Y [(d)]>>>> BDC 1 1 0 rg 20 20 30 30 re f BI /W 1 /H 1 /BPC 8 /CS /G ID xEMC\n EI q /P BMC 60 20 30 30 re f EMC Q EMC", "a (b (c)d) e")]
    public async Task Marked_groups_that_say_what_they_are_are_layers(string group, string name)
    {
        var drawing = await ReadAsync(Pdf(Marked, $"1 0 0 rg 0 0 200 100 re f {group} 0 0 1 rg 0 0 200 10 re f"));
        var top = drawing.Layers[0].Children.ToList();
        Assert.Equal([LayerContent.Shape, LayerContent.Group, LayerContent.Shape], top.Select(l => l.Content));
        Assert.Equal(name, top[1].Name);
        Assert.False(top[1].Hidden);
        Assert.InRange(top[1].Children.Count, 2, 3);
    }

    [Theory]
    // Text, what is no part of the page, and what lies inside optional content, which is a layer already.
    [InlineData("/P /B BDC 1 1 0 rg 20 20 30 30 re f EMC /Artifact BMC 60 20 30 30 re f EMC", 4)]
    [InlineData("(EMC /Card BMC) pop % /Card BMC\n 1 1 0 rg 20 20 30 30 re f 60 20 30 30 re f EMC EMC", 4)]
    public async Task Other_marks_are_no_layers(string content, int shapes)
    {
        var drawing = await ReadAsync(Pdf(Marked, $"1 0 0 rg 0 0 200 100 re f {content} 0 0 1 rg 0 0 200 10 re f"));
        Assert.Equal(Enumerable.Repeat(LayerContent.Shape, shapes), drawing.Layers[0].Children.Select(l => l.Content));
    }

    [Fact]
    public async Task Marked_groups_inside_optional_content_stay_in_its_layer()
    {
        var drawing = await ReadAsync(Pdf(Optional, "1 0 0 rg 0 0 200 100 re f /OC /A BDC /Card BMC 1 1 0 rg 20 20 30 30 re f EMC 60 20 30 30 re f EMC /Dial BMC 0 0 1 rg 0 0 200 10 re f EMC"));
        Assert.Equal(["stars", "Dial"], drawing.Layers[0].Children.Where(l => l.Content == LayerContent.Group).Select(l => l.Name));
    }

    [Fact]
    public async Task Lines_thinner_than_a_point_stay_so_and_what_formulas_draw_is_told()
    {
        var drawing = await ReadAsync(Pdf(Optional, "0.2 w 10 10 m 150 90 l S"));
        var line = drawing.Layers.Single(l => l.Element.Name == "path");
        Assert.Equal("0.2", line.Element.Style("stroke-width"));
        Assert.Empty(drawing.Notes);
        var bent = "4 0 obj <</Type /ExtGState /SMask <</S /Luminosity /G 7 0 R /TR 8 0 R>>>> endobj\n7 0 obj <</Type /XObject /Subtype /Form /BBox [0 0 200 100] /Group <</S /Transparency /CS /DeviceGray>> /Length 22>> stream\n1 g 0 0 100 100 re f  \nendstream endobj\n8 0 obj <</FunctionType 2 /Domain [0 1] /C0 [1] /C1 [0] /N 1>> endobj";
        var told = await ReadAsync(Pdf($"{Optional.Replace("4 0 obj <</Type /Font /Subtype /Type1 /BaseFont /Helvetica>> endobj", bent, StringComparison.Ordinal).Replace("/Font <</F 4 0 R>>", "/ExtGState <</G 4 0 R>>", StringComparison.Ordinal)}", "/G gs 1 0 0 rg 0 0 200 100 re f"));
        Assert.Contains("formula", Assert.Single(told.Notes).Sentence, StringComparison.Ordinal);
    }

    [Fact]
    public async Task Pages_are_screens_and_look_as_what_they_were_made_of()
    {
        var file = await File.ReadAllBytesAsync(Path.Combine(AppContext.BaseDirectory, "demo/visitor-app.svg"), cancel);
        var drawn = DrawingReader.Read(file, "Visitor app");
        var screen = drawn.Screens[1];
        var isolation = Isolation.Of(drawn, screen.Root);
        var pdf = await fixture.Renderer.MakeFileAsync(isolation, new(screen.Box, (screen.Box.Width, screen.Box.Height), (0, 0), FormatAsk.Parse("pdf")!), cancel);
        var read = await ReadAsync(pdf.Bytes!);
        var (width, height) = ((int)screen.Box.Width * 2, (int)screen.Box.Height * 2);
        var before = await fixture.Renderer.PixelsAsync(isolation.Document(screen.Box, width, height), width, height, cancel);
        var after = await fixture.Renderer.PixelsAsync(Isolation.Of(read, read.Layers[0]).Document(read.Box, width, height), width, height, cancel);
        Assert.InRange(Differences.Of(before.Bytes!, after.Bytes!, width, height).Share, 0, 0.02);
        Assert.Contains(read.Layers, l => l.Content == LayerContent.Text && l.Name == "Book a place");
    }

    [Theory]
    [InlineData("%PDF-1.7\nnothing", "broken")]
    [InlineData("%PDF-1.5\n1 0 obj <</Type /Catalog /Pages 2 0 R>> endobj\n2 0 obj <</Type /Pages /Kids [] /Count 0>> endobj\ntrailer <</Root 1 0 R /Size 3>>\n%%EOF", "no pages")]
    public async Task What_is_no_document_is_refused_by_name(string pdf, string why) =>
        Assert.Contains(why, (await fixture.Renderer.ToPlainAsync(Encoding.Latin1.GetBytes(pdf), cancel)).Failure);
}
