using CsCheck;
using Kalypto.Core.Naming;
using Kalypto.Core.Platforms;
using Kalypto.Core.Platforms.Android;

namespace Kalypto.Core.Tests.Naming;

public class NameTests
{
    [Theory]
    [InlineData("Book Button", "book-button")]
    [InlineData("bookButton", "book-button")]
    [InlineData("Bóok_bûtton!", "book-button")]
    [InlineData("HTMLLogo2x", "html-logo2x")]
    [InlineData("Straße / Ærø", "strasse-aero")]
    [InlineData("don't stop", "dont-stop")]
    [InlineData("../../etc/passwd", "etc-passwd")]
    [InlineData("★ 夜空", "ye-kong")]
    [InlineData("Звезда вечера", "zvezda-vechera")]
    [InlineData("Άστρα", "astra")]
    [InlineData("하늘 bell", "ha-neul-bell")]
    [InlineData("ｂｅｌｌ ﬁre", "bell-fire")]
    [InlineData("🔔", "bell")]
    [InlineData("🔔 ring", "ring")]
    [InlineData("24×24", "24-24")]
    [InlineData("~ !", "")]
    public void Names_are_split_into_plain_words(string name, string words) => Assert.Equal(words, string.Join('-', NameWords.Split(name)));

    [Theory]
    [InlineData("Group 41", true)]
    [InlineData("Rectangle", true)]
    [InlineData("Layer 4 copy", true)]
    [InlineData("Path 4 copy 2", true)]
    [InlineData("path1234", true)]
    [InlineData("SVGID_1_", true)]
    [InlineData("board-1-copy", true)]
    [InlineData("IMG_2231", true)]
    [InlineData("DSC 0042", true)]
    [InlineData("bell", false)]
    [InlineData("images of the dome", false)]
    [InlineData("group-photo", false)]
    [InlineData("moon-phase", false)]
    [InlineData("Frame of the dome", false)]
    public void Default_names_count_as_not_named(string name, bool isDefault) => Assert.Equal(isDefault, DefaultNames.IsDefault(name));

    [Fact]
    public void A_text_called_by_its_own_words_is_not_named()
    {
        var drawing = Svg.Read("<text id='Book'>Book</text><text id='caption'>Book</text><text>Book</text>");
        Assert.Equal([true, false, true], drawing.Layers.Skip(1).Select(DefaultNames.IsNotNamed));
    }

    [Fact]
    public void Whatever_the_name_every_platform_takes_what_is_made_of_it() => Gen.String.Sample(name =>
    {
        var words = NameWords.Split(name);
        foreach (var platform in AllPlatforms.List)
        {
            var made = platform.Join(words);
            if (made.Length > 0)
            {
                var accepted = platform.Accepted(made);
                Assert.Null(platform.Refusal(accepted));
                Assert.InRange(made.Length, 1, PlatformNames.Longest);
                Assert.Matches("^[a-z0-9]+([-_][a-z0-9]+)*$", made);
            }
        }
    });

    [Theory]
    [InlineData("class")]
    [InlineData("3d_dome")]
    [InlineData("con")]
    public void Android_refuses_what_would_not_compile(string name) => Assert.NotNull(new AndroidPlatform().Refusal(name));
}
