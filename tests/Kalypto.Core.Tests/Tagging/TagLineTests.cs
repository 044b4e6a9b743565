using CsCheck;
using Kalypto.Core.Deciding;
using Kalypto.Core.Tagging;

namespace Kalypto.Core.Tests.Tagging;

public class TagLineTests
{
    private static string Apply(string to, string line) => TagLine.Parse(line).ApplyTo(Tags.Parse(to)).ToString();

    [Theory]
    [InlineData("", "icon", "icon")]
    [InlineData("icon", "button", "button")]
    [InlineData("icon", "-icon", "")]
    [InlineData("icon", "-button", "icon")]
    [InlineData("", "scale:3x,1x,1.5x,1x", "scale:1x,1.5x,3x")]
    [InlineData("scale:2x", "-scale", "")]
    [InlineData("", "to:icons/nav crop:28x28 bleed:8", "crop:28x28 bleed:8 to:icons/nav")]
    [InlineData("crop:ink to:a", "-crop -to", "")]
    [InlineData("", "-png", "-png")]
    [InlineData("-png", "png", "png")]
    public void A_line_changes_the_tags(string before, string line, string after) => Assert.Equal(after, Apply(before, line));

    [Theory]
    [InlineData("icno", "icon")]
    [InlineData("scal:2x", "scale:1x,2x,3x")]
    [InlineData("crop:huge", "crop:ink")]
    [InlineData("scale:0x", "scale:1x,2x,3x")]
    [InlineData("to:../up", "to:icons/nav")]
    [InlineData("-bleeed", "-bleed:8")]
    [InlineData("zzzzzzzz", null)]
    public void A_word_that_is_not_understood_is_told_with_the_nearest(string word, string? nearest)
    {
        var line = TagLine.Parse("icon " + word);
        var mistake = Assert.Single(line.Mistakes);
        Assert.Equal((word, nearest), (mistake.Word, mistake.Nearest));
        Assert.Throws<InvalidOperationException>(() => line.ApplyTo(Tags.Empty));
    }

    private static Gen<string> Pick(params string[] words) => Gen.Int[0, words.Length - 1].Select(i => words[i]);

    private static readonly Gen<string> Word = Gen.OneOf<string>(
        Pick([.. Kinds.All]),
        Pick("png", "-png", "-scale", "-crop", "-to", "-bleed", "-icon"),
        Gen.Int[1, 40].List[1, 4].Select(n => "scale:" + string.Join(',', n.Select(i => new Scale(i / 4.0)))),
        Pick("crop:ink", "crop:shape", "crop:screen", "crop:24x30", "bleed:3", "to:a/b_c", "to:icons"));

    [Fact]
    public void Tags_read_back_as_they_were_written_and_a_line_twice_is_a_line_once() => Word.List[0, 8].Sample(words =>
    {
        var line = TagLine.Parse(string.Join("  ", words));
        var tags = line.ApplyTo(Tags.Empty);
        Assert.Equal(tags, Tags.Parse(tags.ToString()));
        Assert.Equal(tags, line.ApplyTo(tags));
    });

    [Fact]
    public void Any_text_is_read_without_harm() => Gen.String.Sample(text => TagLine.Parse(text));

    [Fact]
    public void What_holds_is_the_recipe_with_the_layers_own_tags()
    {
        var drawing = Svg.Read("<g id='nav'><g id='Group 7'><path id='bell'/></g></g>");
        Making Of(string tags) => Making.Of(drawing.Layer("bell"), Tags.Parse(tags), _ => Mark.None);
        var plain = Of("");
        Assert.Equal(("picture", false, "ink"), (plain.Kind, plain.KindIsSaid, plain.Crop.ToString()));
        // Groups that nobody named make no folder.
        Assert.Equal(["nav"], plain.Folder);
        Assert.Equal([new Scale(1), new Scale(2), new Scale(3)], plain.Scales);
        Assert.Equal("screen", Of("screen").Crop.ToString());
        Assert.Equal(["x", "y"], Of("to:x/y").Folder);
        Assert.Empty(Of("-png").Formats);
    }
}
