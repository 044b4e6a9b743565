using Kalypto.Core.Designs;
using Kalypto.Core.Handover;

namespace Kalypto.Core.Tests.Handover;

public class PinTests
{
    [Fact]
    public void Numbers_go_down_and_across_and_repeats_share_one()
    {
        var star = "<path d='M0 0h8v8H0z'/>";
        var design = Svg.Measure($"""
            <text id='later' x='10' y='400'>Later</text><rect id='box' x='200' y='20' width='50' height='30'/>
            <g id='bell'><rect x='10' y='22' width='20' height='20'/></g><g id='bell copy'><rect x='400' y='22' width='20' height='20'/></g><rect id='open' x='0' y='0' width='5' height='5'/>{star}
            """).State(("later", "Code"), ("box", "Code"), ("bell", "Ship"), ("bell copy", "Ship"));
        var pins = Pins.Of(design, design.Measured.Drawing.Screens[0], l => l.Name.StartsWith("bell", StringComparison.Ordinal) ? new(1, design.Measured.Drawing.Layer("bell").Ordinal) : null);
        Assert.Equal("1 bell Picture 2, 2 box Box 1, 3 later Words 1", string.Join(", ", pins.Select(p => $"{p.Number} {design.Layers[p.Layer].Name} {p.Kind} {p.Places.Length}")));
    }

    [Fact]
    public void Lines_never_cross_and_numbers_keep_their_distance_whatever_is_numbered()
    {
        var random = new Random(7);
        for (var round = 0; round < 60; round++)
        {
            const double width = 300, height = 600, gap = 26;
            var pins = Enumerable.Range(1, random.Next(1, 70)).Select(n => (n, new Box(random.NextDouble() * 280, random.NextDouble() * 580, random.NextDouble() * 200, random.NextDouble() * 100))).ToList();
            var placed = PinLayout.Of(pins, width, height, 60, gap);
            // Those that there is room for, the first ones first.
            Assert.Equal(Math.Min(pins.Count, 48), placed.Count);
            Assert.Equal(placed.Count, placed.Select(p => p.Number).Distinct().Count());
            foreach (var side in placed.GroupBy(p => p.X))
            {
                var ys = side.Select(p => p.Y).Order().ToList();
                Assert.All(ys.Zip(ys.Skip(1)), pair => Assert.True(pair.Second - pair.First > gap - 1e-6));
                Assert.True(ys[0] > -1e-6 && ys[^1] < height + 1e-6);
            }
            Assert.All(placed.SelectMany((a, i) => placed.Skip(i + 1).Select(b => (a, b))), pair => Assert.False(PinLayout.Cross(pair.a, pair.b), $"{pair.a} crosses {pair.b}"));
        }
    }

    [Fact]
    public void Distances_are_those_between_edges()
    {
        var (a, b, inner) = (new Box(10, 10, 20, 20), new Box(50, 40, 10, 10), new Box(12, 14, 4, 4));
        Assert.Equal(new Distances.Gap(20, 10, null), Distances.Between(a, b));
        Assert.Equal(new Distances.Gap(20, 10, null), Distances.Between(b, a));
        Assert.Equal((2, 4, 14, 12), Distances.Between(a, inner).Inside);
        Assert.Equal((10, 10, 70, 170), Distances.ToEdges(a, 100, 200));
        Assert.Equal((1, 15), Distances.Nearest(a, "below", [b, new(0, 45, 90, 5), new(0, 60, 90, 5)]));
        Assert.Null(Distances.Nearest(a, "left", [b, inner]));
    }
}
