using Kalypto.Core.Deciding;
using Kalypto.Core.Naming;

namespace Kalypto.Core.Tests.Naming;

public class RenameTests
{
    private static readonly NameParts Parts = new("Group 41 copy", "Forecast card", "icon", "Clear sky", "Tonight");

    [Theory]
    [InlineData("", "{parent}-{kind}-{n}", false, NameStyle.Hyphens, "forecast-card-icon-7")]
    [InlineData("", "{words} {kind} {n:3}", false, NameStyle.Camel, "clearSkyIcon007")]
    [InlineData("", "", false, NameStyle.Underscores, "group_41_copy")]
    [InlineData("copy", "", false, NameStyle.AsTyped, "Group 41")]
    [InlineData("GROUP", "star", false, NameStyle.AsTyped, "star 41 copy")]
    [InlineData(@"group (\d+).*", "moon-$1", true, NameStyle.AsTyped, "moon-41")]
    [InlineData("^.*$", "{screen} {name}", true, NameStyle.Sentence, "Tonight group 41 copy")]
    [InlineData("1", "$1", false, NameStyle.AsTyped, "Group 4$1 copy")]
    public void Names_are_found_replaced_and_made_of_patterns(string find, string replace, bool expression, NameStyle style, string expected) =>
        Assert.Equal(expected, new RenameMany(find, replace, expression, style, 5).Apply(Parts, 2));

    [Theory]
    [InlineData("(", "x", true)]
    [InlineData(@"(a)\1", "x", true)]
    [InlineData("", "{nobody}", false)]
    public void What_cannot_be_read_is_said(string find, string replace, bool expression) =>
        Assert.NotNull(new RenameMany(find, replace, expression, NameStyle.AsTyped, 1).Mistake);

    [Fact]
    public void A_hostile_expression_ends()
    {
        var name = new string('a', 150) + "!";
        Assert.Equal(name, new RenameMany("^(a+)+$", "x", true, NameStyle.AsTyped, 1).Apply(Parts with { Name = name }, 0));
    }

    [Fact]
    public void Names_are_offered_from_the_words_inside_or_beside_and_the_group_around()
    {
        var design = Svg.Measure("""
            <g id='tabs'><g id='Group 1'><path id='Path 1' d='M10 10L30 30'/><text x='10' y='50'>Visits</text></g><g id='Group 2'><path id='Path 2' d='M600 600L620 620'/></g></g>
            """).State();
        string Of(string layer) => NameSuggestions.Of(design, design.Measured.Drawing.Layer(layer), "icon");
        Assert.Equal("visits-icon", Of("Group 1"));
        Assert.Equal("visits-icon", Of("Path 1"));
        Assert.Equal("tabs-icon", Of("Path 2"));
        // What a program called is no name, and no name begins with a digit.
        var loose = Svg.Measure("""
            <g id='board 1 copy'><g id='Group 3'><path id='Path 3' d='M10 10L30 30'/><text x='10' y='50'>2 x 500 g</text></g><g id='Group 4'><path id='bell' d='M600 600L620 620'/><path d='M600 600L620 630'/></g><path id='Path 5' d='M900 10L930 30'/></g>
            """).State();
        Assert.Equal(["icon-2-x-500-g", "bell-icon", "drawing-icon"], new[] { "Group 3", "Group 4", "Path 5" }.Select(n => NameSuggestions.Of(loose, loose.Measured.Drawing.Layer(n), "icon")));
    }
}
