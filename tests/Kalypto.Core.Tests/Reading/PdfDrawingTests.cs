using System.Text;
using Kalypto.Core.Designs;
using Kalypto.Core.Reading;
using Kalypto.Core.Reading.Pdf;

namespace Kalypto.Core.Tests.Reading;

public sealed class PdfDrawingTests
{
    // As the vector surface of cairo writes a page: letters are symbols that are used, and every page counts them anew.
    private static string Page(string inside, string d = "M 0 0 L 5 0 L 5 -8 Z") => $"""
        <?xml version="1.0" encoding="UTF-8"?>
        <svg xmlns="http://www.w3.org/2000/svg" xmlns:xlink="http://www.w3.org/1999/xlink" width="100pt" height="50pt" viewBox="0 0 100 50" version="1.2">
        <defs><g><symbol overflow="visible" id="glyph0-1"><path style="stroke:none;" d="{d}"/></symbol></g><clipPath id="clip1"><path d="M 0 0 L 100 0 L 100 50 Z"/></clipPath></defs>
        <g id="surface1">{inside}</g></svg>
        """;

    private static string Run(double x, double y, string fill = "rgb(0%,0%,0%)") => $"<g style=\"fill:{fill};fill-opacity:1;\"><use xlink:href=\"#glyph0-1\" x=\"{x}\" y=\"{y}\"/><use xlink:href=\"#glyph0-1\" x=\"{x + 6}\" y=\"{y}\"/></g>";

    private static DrawingTree Read(params PdfPage[] pages) => DrawingReader.Read(Encoding.UTF8.GetBytes(PdfDrawing.Write(pages)), "Leaflet");

    [Fact]
    public void Pages_lie_beside_each_other_and_runs_of_one_line_are_one_layer()
    {
        var lines = new[] { new PdfLine("Open", new(10, 8, 24, 10)), new PdfLine("late", new(10, 28, 24, 10)) };
        var drawing = Read(
            new(100, 50, Page($"{Run(10, 16)}{Run(22, 16, "rgb(100%,0%,0%)")}{Run(10, 36)}<g clip-path=\"url(#clip1)\">{Run(60, 16)}</g>"), [.. lines], []),
            new(60, 80, Page("<g clip-path=\"url(#clip1)\"><path d=\"M 0 0 L 9 0 L 9 9 Z\"/></g>"), [], []));
        Assert.Equal(["Page 1", "Page 2"], drawing.Screens.Select(s => s.Name));
        Assert.Equal([new Box(0, 0, 100, 50), new(140, 0, 60, 80)], drawing.Screens.Select(s => s.Box));
        var first = drawing.Screens[0].Root.Children.ToList();
        Assert.Equal([(LayerContent.Text, "Open"), (LayerContent.Text, "late"), (LayerContent.Group, "group")], first.Select(l => (l.Content, l.Name)));
        Assert.Equal(4, first[0].Element.SelfAndDescendants().Count(e => e.Name == "path"));
        Assert.Empty(first[0].Children);
        // Letters without words stay shapes; what is referred to is there.
        Assert.DoesNotContain(drawing.Root.SelfAndDescendants(), e => e.Name == "use");
        Assert.All(drawing.Root.SelfAndDescendants().SelectMany(e => e.References), id => Assert.Contains(id, drawing.Definitions.Keys));
    }

    [Fact]
    public void What_is_shown_beyond_the_page_belongs_to_the_group()
    {
        const string Ground = "<path d=\"M 0 0 L 100 0 L 100 50 Z\"/>", Foot = "<g clip-path=\"url(#clip1)\"><path d=\"M 0 40 L 9 40 L 9 50 Z\"/></g>";
        var star = "<path d=\"M 5 5 L 6 6 L 7 5 Z\"/>";
        var drawing = Read(new PdfPage(100, 50, Page(Ground + Foot), [],
            [new("stars", true, Page(Ground + star + star.Replace("5", "15", StringComparison.Ordinal) + Foot)), new("notes", false, Page(Ground + Foot + star))]));
        Assert.Equal(["path", "stars", "path", "notes"], drawing.Layers[0].Children.Select(l => l.Name));
        Assert.Equal([1, 1], drawing.Layers.Where(l => l.Name is "stars" or "notes").Select(l => l.Children.Count is 1 or 2 ? 1 : 0));
        Assert.True(drawing.Layers.First(l => l.Name == "notes").Hidden);
        Assert.Equal(2, drawing.Layers.First(l => l.Name == "stars").Children.Count);
    }
}
