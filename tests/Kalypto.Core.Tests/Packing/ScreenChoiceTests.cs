using Kalypto.Core.Deciding;
using Kalypto.Core.Designs;
using Kalypto.Core.Packing;
using Kalypto.Core.Planning;
using Kalypto.Core.Platforms;
using Kalypto.Core.Platforms.Web;
using Kalypto.Core.Rendering;
using Kalypto.Core.Tagging;

namespace Kalypto.Core.Tests.Packing;

public class ScreenChoiceTests
{
    [Theory]
    [InlineData("picture scale:1x,2x,3x", "1 2 3")]
    [InlineData("picture scale:1x,3x", "1 3 3")]
    // What is not there is enlarged from the largest.
    [InlineData("picture scale:1x,1.5x", "1 1.5 1.5")]
    [InlineData("icon", "1 1 1")]
    public void A_screen_takes_the_file_for_its_density_or_the_next_larger_one(string tags, string taken)
    {
        var design = Svg.Design("<path id='bell' d='M0 0h9v9z'/>", new(0, 0, 24, 24), ("bell", new Mark(Decision.Ship, null, Tags.Parse(tags))));
        var files = new PackPlanner(new("e"), _ => new Look(new Box(0, 0, 24, 24), null)).Plan([design], [new WebPlatform()]).Files;
        Assert.Equal(taken, string.Join(' ', new[] { 1, 2, 3 }.Select(d => Numbers.Text(ScreenChoice.For(files, new(d))!.Scale.Factor))));
        Assert.Null(ScreenChoice.For([], new(1)));
    }

    [Theory]
    [InlineData(412, "412 B")]
    [InlineData(5_240, "5.2 kB")]
    [InlineData(210_400, "210 kB")]
    [InlineData(3_900_000, "3.9 MB")]
    public void A_weight_is_written_as_people_read_it(long bytes, string text) => Assert.Equal(text, Weight.Text(bytes));
}
