using CsCheck;
using Kalypto.Core.Formats;
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
    [InlineData("png svg", "-formats", "")]
    [InlineData("", "webp:82 jpeg:auto avif:<1.5MB png8 webp:lossless svg:outlines", "avif:<1500kB jpeg:auto png8 svg:outlines webp:lossless")]
    [InlineData("", "wide:640,320 tall:64", "wide:320,640 tall:64")]
    [InlineData("wide:320", "-wide", "")]
    [InlineData("", "over:#FFF suffix:Dark credit", "suffix:dark over:#ffffff credit")]
    [InlineData("credit", "-credit", "-credit")]
    [InlineData("", "crop:28x28@top-left", "crop:28x28@top-left")]
    [InlineData("", "crop:28x30@-2,3.5", "crop:28x30@-2,3.5")]
    [InlineData("", "crop:28x28@centre", "crop:28x28")]
    public void A_line_changes_the_tags(string before, string line, string after) => Assert.Equal(after, Apply(before, line));

    [Theory]
    [InlineData("icno", "icon")]
    [InlineData("scal:2x", "scale:1x,2x,3x")]
    [InlineData("crop:huge", "crop:ink")]
    [InlineData("scale:0x", "scale:1x,2x,3x")]
    [InlineData("to:../up", "to:icons/nav")]
    [InlineData("-bleeed", "-bleed:8")]
    [InlineData("jpeg:0", "jpeg")]
    [InlineData("png:60", "png")]
    [InlineData("jpeg:lossless", "jpeg")]
    [InlineData("over:red", "over:screen")]
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
        Pick("crop:ink", "crop:shape", "crop:screen", "crop:24x30", "bleed:3", "to:a/b_c", "to:icons"),
        Gen.Select(Gen.Int[1, 900], Gen.Int[1, 900], Gen.Int[0, BoxPlace.All.Count - 1]).Select((w, h, at) => $"crop:{w}x{h}@{BoxPlace.All[at]}"),
        Gen.Select(Gen.Double[-500, 500], Gen.Double[-500, 500]).Select((x, y) => string.Create(System.Globalization.CultureInfo.InvariantCulture, $"crop:20x20@{x:0.##},{y:0.##}")),
        Gen.Select(Gen.Int[0, Format.All.Length - 1], Gen.Int[1, 100]).Select((f, q) => Format.All[f].Options.HasFlag(Qualities.Lossy) ? $"{Format.All[f]}:{q}" : $"{Format.All[f]}"),
        Gen.Int[1, 5_000_000].Select(bytes => string.Create(System.Globalization.CultureInfo.InvariantCulture, $"webp:<{Math.Max(1, bytes / 1000.0):0.###}kB")),
        Pick("jpeg:auto", "webp:lossless", "svg:outlines", "-svg", "-formats", "wide:480", "tall:64,128", "over:screen", "over:#123", "over:nothing", "suffix:dark", "credit", "-credit"));

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
    public void Own_kinds_are_words_of_their_project_only()
    {
        Assert.Equal("badge", TagLine.Parse("badge", ["badge"]).ApplyTo(Tags.Empty).Kind);
        Assert.Equal("badge", Assert.Single(TagLine.Parse("bagde", ["badge"]).Mistakes).Nearest);
        Assert.NotEmpty(TagLine.Parse("badge").Mistakes);
        Assert.All(new[] { "png", "icon", "scale", "formats", "credit", "Badge", "2x", "a b", "bad:ge" }, word => Assert.False(Kinds.MayName(word), word));
    }
}
