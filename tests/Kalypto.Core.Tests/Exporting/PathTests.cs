using CsCheck;
using Kalypto.Core.Designs;
using Kalypto.Core.Exporting;
using Kalypto.Core.Shapes;

namespace Kalypto.Core.Tests.Exporting;

public class PathTests
{
    [Theory]
    [InlineData("M 10 10 L 20 10 L 20 20 L 10 20 Z", "M10 10h10v10H10z")]
    [InlineData("M0.5,0.5 l-0.25,0.75", "M.5.5l-.25.75")]
    [InlineData("M0 0C0 0 5 5 10 5C15 5 20 10 20 10", "M0 0s5 5 10 5 10 5 10 5")]
    [InlineData("M0 0 C 1 1 2 2 3 3", "M0 0l3 3")]
    [InlineData("M0 0Q5 5 10 0T20 0", "M0 0q5 5 10 0t10 0")]
    // A curve that is a line still tells the next one where to begin.
    [InlineData("M0 0C1 0 2 0 9 0S20 9 20 20", "M0 0h9c7 0 11 9 11 20")]
    [InlineData("M0 0A5 5 0 0110 0", "M0 0a5 5 0 0110 0")]
    [InlineData("M1 1M2 2h1", "M2 2h1")]
    [InlineData("M1 1L1 1", "M1 1h0")]
    [InlineData("m1 1 2 2 3-1z m5 5h1", "M1 1l2 2 3-1zm5 5h1")]
    public void A_path_is_written_in_its_shortest_form(string data, string shortest) => Assert.Equal(shortest, PathWriter.Write(PathData.Segments(data), 3));

    [Fact]
    public void Readers_that_want_it_plain_get_every_number_apart() =>
        Assert.Equal("M0,0a5,5,0,0,1,10,0l.5,-.5z", PathWriter.Write(PathData.Segments("M0 0A5 5 0 0110 0L10.5-.5z"), 3, compact: false));

    private static readonly Gen<double> Number = Gen.Double[-200, 200].Select(n => Math.Round(n, 4));

    private static readonly Gen<PathSegment> Segment = Gen.OneOf(
        Number.Array[2].Select(v => new PathSegment('L', v)), Number.Array[6].Select(v => new PathSegment('C', v)), Number.Array[4].Select(v => new PathSegment('S', v)),
        Number.Array[4].Select(v => new PathSegment('Q', v)), Number.Array[2].Select(v => new PathSegment('T', v)), Number.Array[2].Select(v => new PathSegment('M', v)),
        Gen.Const(new PathSegment('Z', [])),
        Gen.Select(Gen.Double[1, 90], Gen.Double[1, 90], Gen.Int[0, 180], Gen.Bool, Gen.Bool, Number, Number).Select((rx, ry, turn, large, sweep, x, y) =>
            new PathSegment('A', [Math.Round(rx, 2), Math.Round(ry, 2), turn, large ? 1 : 0, sweep ? 1 : 0, x, y])));

    private static readonly Gen<List<PathSegment>> AnyPath = Gen.Select(Number.Array[2], Segment.List[1, 12]).Select((start, rest) => (List<PathSegment>)[new('M', start), .. rest]);

    [Fact]
    public void Whatever_is_written_short_covers_the_same_box() => AnyPath.Sample(path =>
    {
        var again = PathData.Segments(PathWriter.Write(path, 3));
        // A lone move at the end draws nothing and is left out.
        while (path.Count > 0 && path[^1].Command == 'M')
        {
            path.RemoveAt(path.Count - 1);
        }
        if (path.Any(s => s.Command is 'M') && path.Skip(1).Any(s => s.Command == 'M') || path.Count < 2)
        {
            return;
        }
        AssertNear(PathBounds.Of(path), PathBounds.Of(again));
    }, print: Text, iter: 2_000);

    private static string Text(List<PathSegment> path) => string.Join(' ', path.Select(s => $"{s.Command}{string.Join(',', s.Values)}"));

    [Fact]
    public void A_transform_and_its_opposite_leave_a_path_where_it_was() => Gen.Select(AnyPath, Gen.Double[0.2, 3], Gen.Double[-180, 180], Number).Sample((path, scale, turn, move) =>
    {
        var (sin, cos) = Math.SinCos(turn * Math.PI / 180);
        var matrix = new Matrix(scale * cos, scale * sin, -scale * sin, scale * cos, move, -move);
        var inverse = new Matrix(cos / scale, -sin / scale, sin / scale, cos / scale, -(move * cos - move * sin) / scale, (move * sin + move * cos) / scale);
        AssertNear(PathBounds.Of(path), PathBounds.Of(PathTransform.Apply(PathTransform.Apply(path, matrix), inverse)));
    }, iter: 2_000);

    [Theory]
    // A whole circle as one arc would vanish with the decimals that tell its ends apart.
    [InlineData("M10 5A5 5 0 1 1 10 4.9999")]
    [InlineData("M10 5A5 5 0 1 1 10 4.98z")]
    [InlineData("M7.00004 0h3v5A5 5 0 1 1 10 4.9999")]
    public void A_circle_that_is_all_but_closed_stays_one(string data) =>
        AssertNear(PathBounds.Of(PathData.Segments(data)), PathBounds.Of(PathData.Segments(PathWriter.Write(PathData.Segments(data), 3))));

    [Fact]
    public void What_follows_a_closed_part_begins_where_that_began() =>
        Assert.Equal(PathBounds.Of(PathData.Segments("M0 0h90v50H0zM0 0C0 -20 20 -20 20 0")), PathBounds.Of(PathData.Segments("M0 0h90v50H0zC0 -20 20 -20 20 0")));

    [Fact]
    public void A_circle_stretched_is_an_ellipse_of_the_same_box()
    {
        var circle = PathData.Segments("M0 5A5 5 0 1 1 10 5A5 5 0 1 1 0 5Z");
        AssertNear(new Box(20, 3, 30, 20), PathBounds.Of(PathTransform.Apply(circle, new(3, 0, 0, 2, 20, 3))));
        // Leaned over, it is as wide as the lean makes it.
        var leaned = PathBounds.Of(PathTransform.Apply(circle, new(1, 0, 1, 1, 0, 0)))!.Value;
        Assert.Equal(5 * Math.Sqrt(2) * 2, leaned.Width, 3);
    }

    private static void AssertNear(Box? expected, Box? actual)
    {
        Assert.Equal(expected is null, actual is null);
        if (expected is { } a && actual is { } b)
        {
            var near = 0.05 + Math.Max(a.Width, a.Height) / 500;
            Assert.True(Math.Abs(a.X - b.X) < near && Math.Abs(a.Y - b.Y) < near && Math.Abs(a.Right - b.Right) < near && Math.Abs(a.Bottom - b.Bottom) < near, $"{a} and {b}");
        }
    }
}
