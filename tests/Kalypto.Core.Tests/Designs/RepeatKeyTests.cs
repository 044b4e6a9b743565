using CsCheck;
using Kalypto.Core.Deciding;
using Kalypto.Core.Shapes;

namespace Kalypto.Core.Tests.Designs;

public class RepeatKeyTests
{
    private static bool AreSame(string one, string two, string more = "")
    {
        var drawing = Svg.Read($"<defs>{more}</defs><g id='a'>{one}</g><g id='b'>{two}</g>");
        var (a, b) = (RepeatKey.Of(drawing, drawing.Layer("a")), RepeatKey.Of(drawing, drawing.Layer("b")));
        Assert.NotNull(a);
        return a == b;
    }

    [Theory]
    [InlineData("<path d='M1 1L3 3l2 0z'/>", "<path d='M11.5 21L13.5 23l2 0z'/>")]
    [InlineData("<path d='M1 1h4v4H1Z'/>", "<path d='m51 1 h4 v4 H51 z'/>", false)]
    [InlineData("<path d='M1,1 H5V5'/><circle cx='3' cy='3' r='2'/>", "<path d='M101,1 H105V5'/><circle cx='103' cy='3' r='2'/>")]
    [InlineData("<path d='M0 0L4 4'/>", "<path transform='translate(40 2)' d='M0 0L4 4'/>")]
    [InlineData("<g transform='translate(9 9)'><path d='M0 0L4 4'/></g>", "<g transform='translate(90 9)'><path d='M0 0L4 4'/></g>")]
    [InlineData("<g transform='rotate(45 5 5)'><path d='M0 0L4 4'/></g>", "<g transform='rotate(45 25 5)'><path d='M20 0L24 4'/></g>")]
    [InlineData("<polygon points='0 0 4 0 4 4'/><text x='1' y='9'>a</text>", "<polygon points='7 0 11 0 11 4'/><text x='8' y='9'>a</text>")]
    [InlineData("<path fill='url(#one)' d='M1 1h4v4z'/>", "<path fill='url(#two)' d='M11 1h4v4z'/>")]
    [InlineData("<path clip-path='url(#c1)' d='M1 1h4v4z'/>", "<path clip-path='url(#c2)' d='M11 1h4v4z'/>")]
    [InlineData("<path d='M1 1L3 3'/>", "<path d='M1 1L3 3.2'/>", false)]
    [InlineData("<path fill='red' d='M1 1L3 3'/>", "<path fill='blue' d='M1 1L3 3'/>", false)]
    [InlineData("<path d='M1 1L3 3'/><path d='M5 5L6 6'/>", "<path d='M1 1L3 3'/><path d='M5 6L6 7'/>", false)]
    [InlineData("<g transform='scale(2)'><path d='M0 0L4 4'/></g>", "<g transform='scale(3)'><path d='M0 0L4 4'/></g>", false)]
    [InlineData("<path fill='url(#one)' d='M1 1h4v4z'/>", "<path fill='url(#other)' d='M11 1h4v4z'/>", false)]
    public void Equal_drawings_are_found_wherever_they_lie(string one, string two, bool same = true) => Assert.Equal(same, AreSame(one, two, """
        <linearGradient id='one' gradientUnits='userSpaceOnUse' x1='1' y1='1' x2='5' y2='1'><stop stop-color='red'/></linearGradient>
        <linearGradient id='two' gradientUnits='userSpaceOnUse' x1='11' y1='1' x2='15' y2='1'><stop stop-color='red'/></linearGradient>
        <linearGradient id='other' gradientUnits='userSpaceOnUse' x1='11' y1='1' x2='16' y2='1'><stop stop-color='red'/></linearGradient>
        <clipPath id='c1'><rect x='1' y='1' width='2' height='2'/></clipPath><clipPath id='c2'><rect x='11' y='1' width='2' height='2'/></clipPath>
        """));

    [Fact]
    public void What_is_inherited_counts_and_plain_boxes_and_texts_are_never_shared()
    {
        var drawing = Svg.Read("<g fill='red'><path id='a' d='M1 1L3 3'/></g><g fill='blue'><path id='b' d='M1 1L3 3'/></g><rect id='c' width='4' height='4'/><text id='d'>x</text>");
        Assert.NotEqual(RepeatKey.Of(drawing, drawing.Layer("a")), RepeatKey.Of(drawing, drawing.Layer("b")));
        Assert.Null(RepeatKey.Of(drawing, drawing.Layer("c")));
        Assert.Null(RepeatKey.Of(drawing, drawing.Layer("d")));
    }

    [Fact]
    public void A_path_from_its_own_start_is_the_same_wherever_it_was_moved() => Check.Sample(
        Gen.Select(Gen.Int[-500, 500], Gen.Int[-500, 500], Gen.Int[0, 99].List[2, 20]), (dx, dy, numbers) =>
        {
            string At(int x, int y) => $"M{x + numbers[0]} {y + numbers[1]}" + string.Concat(numbers.Select((n, i) => (i % 5) switch
            {
                0 => $"L{x + n},{y - n}",
                1 => $"c{n} 1 2-3 {n}.5.25",
                2 => $"H{x + n}V{y + n}",
                3 => $"A{n + 1} 4 30 01{x + n} {y + 2}",
                _ => "z",
            }));
            return PathData.FromOwnStart(At(0, 0), 2) == PathData.FromOwnStart(At(dx, dy), 2);
        });
}
