using Kalypto.Core.Deciding;
using Kalypto.Core.Designs;
using Kalypto.Core.Handover;
using Kalypto.Core.Reading;
using Kalypto.Core.Styling;
using Kalypto.Core.Tokens;

namespace Kalypto.Drawing.Tests;

/// <summary>What developers get of the demo, when it is decided to its end: words and plain boxes in code, all else as pictures.</summary>
public sealed class HandoverTests(RendererFixture fixture)
{
    // pt: smaller boxes are parts of icons.
    private const double SmallestBox = 40;
    private static readonly string Demo = Path.Combine(AppContext.BaseDirectory, "demo");

    [Theory]
    [InlineData("visitor-app.svg")]
    [InlineData("website.svg")]
    public async Task Of_a_finished_screen_nothing_is_missing_and_what_is_taken_back_is_missed_alone(string file)
    {
        var (design, marks) = await FinishedAsync(file, 1);
        foreach (var screen in design.Measured.Drawing.Screens)
        {
            Assert.Empty(Unreached.Of(design, screen));
            var decided = design.Measured.LayersOf(screen).Where(l => marks.ContainsKey(l.Ordinal)).ToList();
            Assert.True(decided.Count > 10);
            foreach (var layer in decided)
            {
                var without = design with { Marks = marks.Where(m => m.Key != layer.Ordinal).ToDictionary() };
                // A group that holds nothing else is missing as a whole.
                var missing = Unreached.Of(without, screen);
                Assert.True(missing is [var one] && (one == layer || one.SelfAndDescendants().Contains(layer) && one.SelfAndDescendants().All(l => l == layer || !marks.ContainsKey(l.Ordinal))),
                    $"{screen.Name}, without {layer.Name}: {string.Join(", ", missing.Select(m => m.Name))}");
            }
        }
    }

    [Fact]
    public async Task The_tokens_are_those_that_the_maker_of_the_demo_put_in_each_once_and_no_others()
    {
        var book = TokenBook.Of([(await FinishedAsync("visitor-app.svg", 1)).Design, (await FinishedAsync("website.svg", 2)).Design], TokensSaid.None);
        string Of(TokenKind kind) => string.Join("; ", book.Tokens.Where(t => t.Value.Kind == kind).Select(t => t.Value.Key).Order(StringComparer.Ordinal));
        // demo/make/parts.mjs: the custom properties, the classes and the gradients that more than one layer has.
        Assert.Equal("colour #0f1736; colour #141f44; colour #1d2340; colour #1d2550; colour #33386e; colour #56508a; colour #8a5a12; colour #c9cbe4; colour #dba348; colour #e5b45c; colour #f0c777; colour #f3e9d2; colour #fff; colour #fffaf0; colour rgb(131 133 184 / 50%); colour rgb(255 255 255 / 12%)", Of(TokenKind.Colour));
        Assert.Equal("type Figtree 400 14 0; type Figtree 500 12 0; type Figtree 500 16 0; type Figtree 600 12 0; type Figtree 600 18 0; type Figtree 700 30 0", Of(TokenKind.Type));
        Assert.Equal("radius 14; radius 18", Of(TokenKind.Radius));
        Assert.Equal("shadow 0 6px 16px rgb(10 15 38 / 45%)", Of(TokenKind.Shadow));
        Assert.Equal(book.Tokens.Length, book.Tokens.Select(t => t.Name).Distinct().Count());
    }

    private async Task<(DesignState Design, Dictionary<int, Mark> Marks)> FinishedAsync(string file, int id)
    {
        var cancel = TestContext.Current.CancellationToken;
        var drawing = SvgReader.Read(await File.ReadAllBytesAsync(Path.Combine(Demo, file), cancel), "Demo");
        var open = new DesignState(id, "Demo", 1, new(drawing, await fixture.Renderer.MeasureAsync(drawing, null, cancel)), new Dictionary<int, Mark>());
        var marks = new Dictionary<int, Mark>();
        foreach (var screen in drawing.Screens)
        {
            var reader = new ValuesReader(open, screen);
            bool InCode(Layer layer) => layer.Content == LayerContent.Text || reader.Of(layer) is { Outline: null, Beyond.IsEmpty: true } values && (values.Fill ?? values.Border?.Fill) is not null && values.Box is { Width: >= SmallestBox, Height: >= SmallestBox };
            foreach (var layer in open.Measured.LayersOf(screen).Where(l => l != screen.Root && l.Children.Count == 0 && !l.HiddenHere && !l.Guide && !l.Ancestors().Any(a => a.Guide)))
            {
                // A picture is the outermost group in which nothing is built in code.
                var picture = layer.Ancestors().TakeWhile(a => a != screen.Root && a.Content != LayerContent.Screen && !open.Measured.IsNeedlessOuter(a) && !a.SelfAndDescendants().Any(l => l.Children.Count == 0 && InCode(l))).LastOrDefault() ?? layer;
                var isCode = InCode(layer);
                marks[isCode ? layer.Ordinal : picture.Ordinal] = new(isCode ? Decision.Code : Decision.Ship, null, Core.Tagging.Tags.Empty);
            }
        }
        return (open with { Marks = marks }, marks);
    }
}
