using CsCheck;
using Kalypto.Core.Arranging;
using Kalypto.Core.Deciding;
using Kalypto.Core.Designs;
using Kalypto.Core.Isolating;

namespace Kalypto.Core.Tests.Arranging;

public class ArrangerTests
{
    private const string Card = """
        <g id='card' transform='translate(5 5)'><rect id='disc' width='40' height='40'/><g id='inner' opacity='.5'><path id='star' d='M10 10L20 20L10 30Z'/></g><text id='word' x='2' y='60'>Hello</text></g>
        """;

    private static (Arrangement Arrangement, int Ordinal) Combine(DrawingTree drawing, Arrangement arrangement, params string[] names) =>
        Arranger.Combine(drawing, arrangement, [.. names.Select(n => drawing.Layer(n).Ordinal)], "combination");

    [Fact]
    public void Loose_layers_become_one_where_the_first_of_them_stood()
    {
        var drawing = Svg.Read(Card);
        var (arrangement, ordinal) = Combine(drawing, Arrangement.None, "disc", "star");
        var arranged = Arranger.Apply(drawing, arrangement);
        var made = arranged.Layers[ordinal];
        Assert.Equal(drawing.Layers.Length, ordinal);
        Assert.True(made.Combined);
        Assert.Equal(["disc", "star"], made.Children.Select(c => c.Name));
        Assert.Equal(["combination", "inner", "word"], arranged.Layer("card").Children.Select(c => c.Name));
        // Everything else keeps its ordinal.
        Assert.All(drawing.Layers, l => Assert.Equal(l.Name, arranged.Layers[l.Ordinal].Name));
    }

    [Fact]
    public void A_combination_is_drawn_with_what_is_around_each_of_its_layers_and_nothing_else()
    {
        var drawing = Svg.Read(Card);
        var (arrangement, ordinal) = Combine(drawing, Arrangement.None, "disc", "star");
        var arranged = Arranger.Apply(drawing, arrangement);
        var document = Isolation.Of(arranged, arranged.Layers[ordinal]).Document(new(0, 0, 50, 50), 50, 50);
        Assert.Contains("translate(5 5)", document, StringComparison.Ordinal);
        Assert.Contains("opacity=\".5\"", document, StringComparison.Ordinal);
        Assert.Contains("M10 10", document, StringComparison.Ordinal);
        Assert.DoesNotContain("Hello", document, StringComparison.Ordinal);
        // A layer in it is still drawn as the file has it.
        Assert.Equal(Isolation.Of(drawing, drawing.Layer("star")).Key, Isolation.Of(arranged, arranged.Layer("star")).Key);
    }

    [Fact]
    public void Shipping_a_combination_settles_its_layers_and_taking_it_apart_gives_them_back()
    {
        var measured = Svg.Measure(Card);
        var (arrangement, ordinal) = Combine(measured.Drawn, Arrangement.None, "disc", "star");
        var arranged = measured.Arrange(arrangement);
        Assert.Equal(new Box(0, 0, 40, 40), arranged.Shapes[ordinal]);
        Mark Shipped(Layer l) => l.Ordinal == ordinal ? Mark.None with { Decision = Decision.Ship } : Mark.None;
        Assert.Equal("combination", Progress.CoveredBy(arranged.Drawing.Layer("star"), Shipped)!.Name);

        var apart = measured.Arrange(Arranger.TakeApart(measured.Drawn, arrangement, [ordinal]));
        Assert.Equal(["disc", "inner", "word"], apart.Drawing.Layer("card").Children.Select(c => c.Name));
        Assert.Equal(ordinal + 1, apart.Drawing.Layers.Length);
        Assert.DoesNotContain(apart.LayersOf(apart.Drawing.Screens[0]), l => l.Ordinal == ordinal);
    }

    [Fact]
    public void Equal_combinations_are_repeats_and_others_are_none()
    {
        // Three minus buttons in rows of their own, one with a longer line; the rows are moved.
        static string Row(int y, int length = 8) => $"<g id='row {y}' transform='translate(0 {y})'><circle id='ring {y}' cx='20' cy='20' r='12'/><path id='line {y}' d='M16 20h{length}v1h-{length}z'/><text x='40' y='24'>{y}</text></g>";
        var measured = Svg.Measure(Row(0) + Row(50) + Row(100, 9));
        var arrangement = Arrangement.None;
        var made = new List<int>();
        foreach (var y in new[] { 0, 50, 100 })
        {
            (arrangement, var ordinal) = Combine(measured.Drawn, arrangement, $"ring {y}", $"line {y}");
            made.Add(ordinal);
        }
        var keys = measured.Arrange(arrangement).RepeatKeys;
        Assert.NotNull(keys[made[0]]);
        Assert.Equal(keys[made[0]], keys[made[1]]);
        Assert.NotEqual(keys[made[0]], keys[made[2]]);
    }

    [Fact]
    public void Joining_a_combination_with_more_takes_its_layers_in()
    {
        var drawing = Svg.Read(Card);
        var (first, ordinal) = Combine(drawing, Arrangement.None, "disc", "star");
        var (second, larger) = Arranger.Combine(drawing, first, [ordinal, drawing.Layer("word").Ordinal], "combination");
        var arranged = Arranger.Apply(drawing, second);
        Assert.Equal(["disc", "star", "word"], arranged.Layers[larger].Children.Select(c => c.Name));
        Assert.False(arranged.Layers[ordinal].Combined);
        Assert.Equal(second, Arrangement.Parse(second.ToString()));
    }

    [Theory]
    [InlineData("disc")]
    [InlineData("card", "disc")]
    [InlineData("inner", "star")]
    public void Fewer_than_two_layers_beside_one_another_are_refused(params string[] names) =>
        Assert.Throws<ArrangingRefusedException>(() => Combine(Svg.Read(Card), Arrangement.None, names));

    [Fact]
    public void Whatever_is_combined_every_layer_is_in_the_tree_once()
    {
        var drawing = Svg.Read(string.Concat(Enumerable.Range(0, 6).Select(g => $"<g id='g{g}'>{string.Concat(Enumerable.Range(0, 4).Select(p => $"<path id='p{g}{p}' d='M{g} {p}h1'/>"))}</g>")));
        Check.Sample(Gen.Int[1, drawing.Layers.Length - 1].List[2, 6].List[1, 4], picks =>
        {
            var arrangement = Arrangement.None;
            foreach (var pick in picks)
            {
                try
                {
                    arrangement = Arranger.Combine(drawing, arrangement, pick.ToHashSet(), "combination").Arrangement;
                }
                catch (ArrangingRefusedException)
                {
                    // Told, and nothing changed.
                }
            }
            var tree = Arranger.Apply(drawing, arrangement).Layers[0].SelfAndDescendants().Where(l => !l.Combined).Select(l => l.Ordinal).ToList();
            return tree.Order().SequenceEqual(Enumerable.Range(0, drawing.Layers.Length));
        });
    }
}
