using Kalypto.Core.Shapes;

namespace Kalypto.Core.Tests.Shapes;

public class PlainPathTests
{
    [Theory]
    [InlineData("M0 0H100V40H0Z", true)]
    [InlineData("m 10,10 h 30 v -5 h -30 z", true)]
    [InlineData("M10 10L40 10 40 20 10 20 10 10", true)]
    [InlineData("M0 5H300", true)]
    // A stroke of an icon, something slanted, turned, rounded, of several parts, with more corners.
    [InlineData("M4 12h16", false)]
    [InlineData("M0 0L100 3", false)]
    [InlineData("M10 0L20 10 10 20 0 10Z", false)]
    [InlineData("M0 0h9a1 1 0 0 1 1 1v9H0z", false)]
    [InlineData("M0 0h9v9h-9zM20 0h9v9h-9z", false)]
    [InlineData("M0 0h9v9h-4v4h-5z", false)]
    [InlineData("M0 0h9v9h9v-9z", false)]
    [InlineData("", false)]
    public void A_path_is_a_box_or_a_rule_when_it_says_no_more(string data, bool isPlain) => Assert.Equal(isPlain, PlainPath.Is(data));
}
