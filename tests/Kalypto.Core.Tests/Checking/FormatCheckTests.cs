using Kalypto.Core.Checking;
using Kalypto.Core.Planning;
using Kalypto.Core.Platforms;
using Kalypto.Core.Platforms.Android;
using Kalypto.Core.Platforms.Web;
using Kalypto.Core.Rendering;

namespace Kalypto.Core.Tests.Checking;

/// <summary>What a format or size asks of a layer that the layer cannot give.</summary>
public class FormatCheckTests
{
    private static Finding? Find(string check, string inside, string says)
    {
        var design = Svg.Measure(inside).State(("a", says));
        return new PackPlanner(new("e"), key => new Look(design.Measured.ShapeOf(design.Layers.First(l => l.Name == "a")), null)).Plan([design], [new WebPlatform(), new AndroidPlatform()])
            .Findings.FirstOrDefault(f => f.Check == check);
    }

    [Theory]
    // A plain rectangle or picture over all of it leaves nothing open.
    [InlineData("<rect id='a' width='40' height='30'/>", "jpeg", false)]
    [InlineData("<g id='a'><rect width='40' height='30'/><rect rx='9' width='20' height='20'/></g>", "jpeg", false)]
    [InlineData("<image id='a' width='40' height='30'/>", "jpeg", false)]
    [InlineData("<rect id='a' rx='9' width='40' height='30'/>", "jpeg", true)]
    [InlineData("<path id='a' d='M0 0L40 30L0 30Z'/>", "gif", true)]
    [InlineData("<g clip-path='url(#c)'><rect id='a' width='40' height='30'/></g>", "jpeg", true)]
    [InlineData("<rect id='a' rx='9' width='40' height='30'/>", "jpeg over:#173a45", false)]
    [InlineData("<rect id='a' rx='9' width='40' height='30'/>", "png", false)]
    public void Edges_that_a_format_cannot_show_are_told_until_a_ground_is_named(string inside, string tags, bool told) =>
        Assert.Equal(told, Find("transparency-lost", inside, $"Ship picture -png {tags}") is not null);

    [Theory]
    [InlineData(200, false)]
    [InlineData(201, true)]
    public void Too_many_shapes_for_a_vector_are_told_and_the_fix_makes_pixels(int shapes, bool told)
    {
        var inside = $"<g id='a'>{string.Concat(Enumerable.Range(1, shapes).Select(i => $"<path d='M0 0L{i} 9'/>"))}</g>";
        var finding = Find("many-shapes-in-one-vector", inside, "Ship icon");
        Assert.Equal(told, finding is not null);
        if (finding is not null)
        {
            Assert.Contains($"{shapes} shapes", finding.Sentence, StringComparison.Ordinal);
            Assert.Null(Find("many-shapes-in-one-vector", inside, $"Ship icon {finding.Fix!.Tags}"));
        }
    }

    [Fact]
    public void What_a_vector_cannot_show_is_told_and_words_are_not()
    {
        Assert.Contains("blur or shadow", Find("not-as-a-vector", "<filter id='f'><feGaussianBlur/></filter><g id='a'><rect width='9' height='9' filter='url(#f)'/></g>", "Ship icon")!.Sentence, StringComparison.Ordinal);
        Assert.Null(Find("not-as-a-vector", "<g id='a'><rect width='9' height='9'/><text>Hi</text></g>", "Ship icon"));
        Assert.Contains("beneath", Find("not-as-a-vector", "<rect id='a' width='9' height='9'/>", "Ship icon over:screen")!.Sentence, StringComparison.Ordinal);
    }

    [Theory]
    [InlineData("#ffffff", false, "jpeg -png", true)]
    [InlineData("#fcfdff", false, "jpeg", true)]
    [InlineData("#ffffff", false, "png", false)]
    [InlineData("#ffffff", false, "jpeg over:#173a45", false)]
    [InlineData("#ffffff", false, "png over:#ffffff", true)]
    [InlineData("#ffffff", false, "jpeg over:screen", false)]
    [InlineData("#c8b690", false, "jpeg", false)]
    [InlineData("#c8b690", true, "png", true)]
    [InlineData(null, false, "jpeg", false)]
    public void A_picture_that_comes_out_as_one_colour_is_told(string? colour, bool isFull, string tags, bool told)
    {
        Finding? Told(string said)
        {
            var design = Svg.Measure("<path id='a' d='M0 0L40 30L0 30Z'/>").State(("a", said));
            return new PackPlanner(new("e"), _ => new Look(new(0, 0, 40, 30), null) { Colour = colour, IsFull = isFull }).Plan([design], [new WebPlatform()]).Findings.FirstOrDefault(f => f.Check == "one-colour-picture");
        }
        var finding = Told($"Ship picture {tags}");
        Assert.Equal(told, finding is not null);
        Assert.Null(finding?.Fix is { Tags: { } fix } ? Told($"Ship picture {tags} {fix}") : null);
    }

    [Theory]
    [InlineData("<rect width='9' height='9'/><g style='mix-blend-mode:screen'><path id='a' d='M0 0L9 9'/></g>", "", true)]
    [InlineData("<rect width='9' height='9'/><path id='a' style='mix-blend-mode:screen' d='M0 0L9 9'/>", "over:screen", false)]
    [InlineData("<rect width='9' height='9'/><path id='a' style='mix-blend-mode:normal' d='M0 0L9 9'/>", "", false)]
    // Nothing lies beneath it in the drawing either.
    [InlineData("<rect x='50' width='9' height='9'/><path id='a' style='mix-blend-mode:screen' d='M0 0L9 9'/>", "", false)]
    [InlineData("<path id='a' style='mix-blend-mode:screen' d='M0 0L9 9'/><rect width='9' height='9'/>", "", false)]
    // Within a picture it has what it mixes with.
    [InlineData("<g id='a'><rect width='9' height='9'/><path style='mix-blend-mode:screen' d='M0 0L9 9'/></g>", "", false)]
    public void What_mixes_with_what_lies_beneath_is_told_where_that_is_missing(string inside, string tags, bool told) =>
        Assert.Equal(told, Find("blends-with-nothing", inside, $"Ship picture {tags}") is not null);

    [Theory]
    [InlineData("filter='url(#f)'", "crop:shape", true)]
    [InlineData("filter='url(#f)'", "crop:shape bleed:20", false)]
    [InlineData("filter='url(#f)'", "crop:ink", false)]
    // Without an effect it is the stroke of a text or the like that sticks out.
    [InlineData("", "crop:shape", false)]
    public void An_effect_that_a_shape_cuts_off_is_told(string attributes, string tags, bool told)
    {
        var design = Svg.Measure($"<filter id='f'><feGaussianBlur/></filter><rect id='a' width='40' height='30' {attributes}/>").State(("a", $"Ship picture {tags}"));
        var shape = design.Measured.ShapeOf(design.Layers.First(l => l.Name == "a"))!.Value;
        Assert.Equal(told, new PackPlanner(new("e"), _ => new Look(shape.Inflate(12), null)).Plan([design], [new WebPlatform()]).Findings.Any(f => f.Check == "effect-cut-off"));
    }

    [Fact]
    public void A_photo_asked_wider_than_its_pixels_is_told_without_a_fix_that_would_not_settle_it()
    {
        var gif = Convert.ToBase64String([.. "GIF89a"u8, 60, 0, 45, 0, 0, 0, 0, 0]);
        var inside = $"<image id='a' width='40' height='30' preserveAspectRatio='none' href='data:image/gif;base64,{gif}'/>";
        var finding = Find("picture-under-its-scale", inside, "Ship photo wide:120");
        Assert.Contains("is asked for at 3x, but its picture has only 1.5x", finding!.Sentence, StringComparison.Ordinal);
        Assert.Null(finding.Fix);
        Assert.Null(Find("picture-under-its-scale", inside, "Ship photo wide:60"));
    }
}
