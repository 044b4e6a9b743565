using System.Text;
using Kalypto.Core.Designs;
using Kalypto.Core.Reading;

namespace Kalypto.Core.Tests.Reading;

/// <summary>A drawing that was read in another process is the same here.</summary>
public class ReadFormTests
{
    private const string Whole = """
        <svg xmlns='http://www.w3.org/2000/svg' viewBox='0 0 200 100'><style>.a{fill:var(--ink,#123)} #b rect:first-child{opacity:.5}</style>
        <script>1</script><g style='--ink:red'><defs><linearGradient id='gold'><stop offset='0' stop-color='#e8b04a'/></linearGradient><g id='bell'><path class='a' d='M0 0h9'/></g></defs></g>
        <svg x='0' y='0' width='100' height='100' aria-label='Tonight'><g id='b'><rect width='9' height='9' fill='url(#gold)'/><text x='1' y='20'>Moon<tspan>rise</tspan> ☾ 🌗</text></g><use href='#bell' display='none'/></svg>
        <g aria-label='Guides'><line x2='100' stroke='red'/></g><g data-name='bell [icon png]' data-locked='true'><rect width='4' height='4'/></g></svg>
        """;

    private static string Told(DrawingTree drawing) => string.Join('\n',
        new[] { drawing.Root.Fingerprint.Hex, drawing.Box.ToString() }
            .Concat(drawing.Layers.Select(l => $"{l.Ordinal} {l.Parent?.Ordinal} {l.Name}|{l.TagText}|{l.NameSource} {l.Content} {l.Hidden}{l.Locked}{l.Guide} {l.ViewBox} {l.Element.Fingerprint} [{string.Join(' ', l.Children.Select(c => c.Ordinal))}]"))
            .Concat(drawing.Screens.Select(s => $"{s.Name} {s.Box} {s.Root.Ordinal}"))
            .Concat(drawing.Definitions.OrderBy(d => d.Key, StringComparer.Ordinal).Select(d => $"{d.Key} {d.Value.Element.Fingerprint} {string.Join(' ', d.Value.Around.Select(a => a.Fingerprint))}"))
            .Concat(drawing.Notes.Select(n => n.ToString())));

    [Theory]
    [InlineData(Whole)]
    [InlineData("<svg xmlns='http://www.w3.org/2000/svg' viewBox='0 0 9 9'/>")]
    [InlineData("<svg xmlns='http://www.w3.org/2000/svg' viewBox='0 0 900 90'><view id='one' viewBox='0 0 90 90'/><view id='two' viewBox='100 0 90 90'/><rect width='800' height='50'/></svg>")]
    public void It_comes_over_whole(string svg)
    {
        var drawing = DrawingReader.Read(Encoding.UTF8.GetBytes(svg), "Drawing");
        var over = ReadForm.Read(ReadForm.Write(drawing, long.MaxValue));
        Assert.Equal(Told(drawing), Told(over));
        // Layers stand for the elements of the tree itself.
        var elements = over.Root.SelfAndDescendants().ToHashSet(ReferenceEqualityComparer.Instance);
        Assert.All(over.Layers, l => Assert.Contains(l.Element, elements));
        Assert.All(over.Definitions.Values, d => Assert.Contains(d.Element, elements));
    }

    [Fact]
    public void What_is_broken_or_too_much_is_refused()
    {
        var drawing = DrawingReader.Read(Encoding.UTF8.GetBytes(Whole), "Drawing");
        var bytes = ReadForm.Write(drawing, long.MaxValue);
        foreach (var length in Enumerable.Range(0, bytes.Length / 7).Select(n => n * 7))
        {
            Assert.Throws<InvalidDataException>(() => ReadForm.Read(bytes[..length]));
        }
        Assert.Throws<DrawingRefusedException>(() => ReadForm.Write(drawing, 300));
    }

    [Fact]
    public void A_text_that_stands_on_thousands_of_elements_comes_over_once()
    {
        var picture = new string('A', 40_000);
        var svg = $"<svg xmlns='http://www.w3.org/2000/svg' viewBox='0 0 9 9'>{string.Concat(Enumerable.Repeat($"<image width='1' height='1' href='data:image/png;base64,{picture}'/>", 200))}</svg>";
        Assert.InRange(ReadForm.Write(DrawingReader.Read(Encoding.UTF8.GetBytes(svg), "Drawing"), long.MaxValue).Length, 0, 60_000);
    }
}
