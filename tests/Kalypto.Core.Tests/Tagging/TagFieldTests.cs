using CsCheck;
using Kalypto.Core.Tagging;

namespace Kalypto.Core.Tests.Tagging;

public class TagFieldTests
{
    [Fact]
    public void Fields_show_what_a_line_says()
    {
        var fields = TagFields.Of("webp:82 svg scale:1x,2x crop:40x28@top-left bleed:2 to:art/small suffix:dark over:#173a45 -credit -png");
        Assert.Equal([("svg", ""), ("webp", "82")], fields.Formats.Select(f => (f.Key, f.Value)).Order());
        Assert.Equal(("scale", "1x,2x", "box", "40", "28", "top-left"), (fields.Sizes, fields.SizeValue, fields.Crop, fields.BoxWidth, fields.BoxHeight, fields.BoxPlace));
        Assert.Equal(("2", "art/small", "dark", "colour", "#173a45", "no"), (fields.Bleed, fields.Folder, fields.Suffix, fields.Under, fields.Colour, fields.Credit));
        Assert.Equal(("", "", "ink", "screen", "#ffffff"), TagFields.Of("crop:ink over:screen") is var f ? (f.Sizes, f.Credit, f.Crop, f.Under, f.Colour) : default);
    }

    [Theory]
    [InlineData("credit webp", "webp", "auto", "credit webp:auto")]
    [InlineData("credit webp:auto", "makes", "webp", "credit")]
    [InlineData("credit", "makes", "jpeg", "credit jpeg")]
    [InlineData("scale:1x svg", "sizes", "wide", "svg wide:480")]
    [InlineData("svg wide:480", "sizeValue", " 64, 128 ", "svg wide:64,128")]
    [InlineData("svg", "sizeValue", "64", "svg")]
    [InlineData("svg wide:480", "sizes", "", "svg")]
    [InlineData("svg", "crop", "box", "svg crop:28x28")]
    [InlineData("crop:28x28 svg", "boxWidth", "40", "crop:40x28 svg")]
    [InlineData("crop:28x28 svg", "boxPlace", "top-left", "crop:28x28@top-left svg")]
    [InlineData("crop:28x28@top-left", "boxPlace", "centre", "crop:28x28")]
    [InlineData("crop:ink", "crop", "", "")]
    [InlineData("svg -bleed", "bleed", "2", "svg bleed:2")]
    [InlineData("credit svg", "credit", "no", "-credit svg")]
    [InlineData("svg", "under", "colour", "svg over:#ffffff")]
    [InlineData("whatever svgg", "folder", "art", "whatever svgg to:art")]
    [InlineData("svg", "melt", "now", "svg")]
    public void Saying_one_field_writes_its_words_and_leaves_all_others(string line, string field, string value, string expected) =>
        Assert.Equal(expected, TagFields.Say(line, field, value));

    [Fact]
    public void What_a_field_is_said_to_be_is_what_it_shows() => Gen.Select(OneOf("", "svg png:auto", "crop:24x24 nonsense -credit"), OneOf("bleed", "folder", "suffix"), OneOf("8", "art", "x-y")).Sample((line, field, value) =>
    {
        var fields = TagFields.Of(TagFields.Say(line, field, value));
        Assert.Equal(value, field switch { "bleed" => fields.Bleed, "folder" => fields.Folder, _ => fields.Suffix });
        Assert.Equal(TagFields.Of(line).Formats, fields.Formats);
    });

    private static Gen<string> OneOf(params string[] words) => Gen.Int[0, words.Length - 1].Select(i => words[i]);

    [Fact]
    public void A_box_and_a_tag_that_goes_are_written_as_words()
    {
        Assert.Equal("crop:40x28 -bleed", TagFields.FixedBox(" 40", "28 ", "centre"));
        Assert.Equal("crop:40x28@top -bleed", TagFields.FixedBox("40", "28", "top"));
        Assert.Equal("crop:40x28@-2.5,3 -bleed", TagFields.FixedBox("40", "28", null, (-2.5, 3)));
        Assert.All(new[] { "icon", "webp:82", "-png", "crop:24x24", "-credit", "state:hover" }, tag =>
        {
            var tags = Tags.Parse(tag);
            var line = TagLine.Parse(TagFields.TakeAway(tag), null, anyKind: true);
            Assert.Empty(line.Mistakes);
            Assert.NotEqual(tags, line.ApplyTo(tags));
        });
    }

    [Fact]
    public void A_word_that_is_begun_is_completed_in_its_line()
    {
        string[] Offers(string line) => [.. TagCompletion.Of(line, TagWord.BuiltIn, 3).Select(c => c.Line)];
        Assert.Equal(["icon svg ", "icon svg:text ", "icon svg:linked "], Offers("icon sv"));
        Assert.Equal(["icon -scale "], Offers("icon -sca"));
        Assert.Equal(["crop:ink "], Offers("crop:in"));
        Assert.Empty(Offers("icon nothing-begins-so"));
        Assert.DoesNotContain(TagCompletion.Of("ico", TagWord.BuiltIn.Where(w => w.IsForRecipes), 9), c => c.Form == "icon");
    }
}
