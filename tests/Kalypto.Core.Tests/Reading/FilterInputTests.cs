using Kalypto.Core.Isolating;

namespace Kalypto.Core.Tests.Reading;

/// <summary>A blur of what is drawn is for the exact engine; that of a shadow, in one colour, is not.</summary>
public class FilterInputTests
{
    private const string Black = "0 0 0 0 0  0 0 0 0 0  0 0 0 0 0  0 0 0 .4 0";

    [Theory]
    [InlineData("<feGaussianBlur stdDeviation='4'/>", true)]
    [InlineData("<feGaussianBlur in='SourceGraphic' stdDeviation='4'/>", true)]
    [InlineData("<feGaussianBlur in='SourceAlpha' stdDeviation='4'/>", false)]
    [InlineData("<feFlood flood-opacity='0' result='none'/><feBlend in='SourceGraphic' in2='none' result='shape'/><feGaussianBlur stdDeviation='4'/>", true)]
    [InlineData("<feFlood flood-opacity='0' result='none'/><feColorMatrix in='SourceAlpha' values='" + Black + "' result='hard'/><feOffset dy='4'/><feGaussianBlur stdDeviation='4'/><feComposite in2='hard' operator='out'/><feColorMatrix values='" + Black + "'/><feBlend in='SourceGraphic'/>", false)]
    [InlineData("<feColorMatrix values='" + Black + "'/><feGaussianBlur stdDeviation='4'/>", false)]
    [InlineData("<feColorMatrix type='saturate' values='.5'/><feGaussianBlur stdDeviation='4'/>", true)]
    [InlineData("<feColorMatrix type='luminanceToAlpha'/><feGaussianBlur stdDeviation='4'/>", false)]
    [InlineData("<feFlood/><feComposite in2='SourceGraphic' operator='in'/><feGaussianBlur stdDeviation='4'/>", false)]
    [InlineData("<feFlood/><feComposite in2='SourceGraphic' operator='over'/><feGaussianBlur stdDeviation='4'/>", true)]
    [InlineData("<feOffset result='a'/><feFlood result='b'/><feMerge result='c'><feMergeNode in='b'/><feMergeNode in='a'/></feMerge><feOffset in='b'/><feGaussianBlur in='c' stdDeviation='4'/>", true)]
    [InlineData("<feOffset result='a'/><feFlood result='a'/><feOffset/><feGaussianBlur in='a' stdDeviation='4'/>", false)]
    // What comes later is not what is meant.
    [InlineData("<feFlood/><feGaussianBlur in='late' result='late' stdDeviation='4'/><feOffset in='SourceGraphic' result='late'/>", false)]
    public void A_blur_of_colours_is_known(string steps, bool isOfColours)
    {
        var drawing = Svg.Read($"<filter id='f'>{steps}</filter><rect id='x' width='9' height='9' filter='url(#f)'/>");
        Assert.Equal(isOfColours, Isolation.Of(drawing, drawing.Layer("x")).Beyond.Contains("a blur"));
    }

    [Fact]
    public void Steps_that_refer_to_one_another_thousandfold_end_at_once()
    {
        var steps = string.Concat(Enumerable.Range(0, 50).Select(i => $"<feMerge result='m{i}'>{string.Concat(Enumerable.Repeat($"<feMergeNode in='m{i - 1}'/>", 9))}</feMerge>"));
        var drawing = Svg.Read($"<filter id='f'><feFlood/>{steps}<feGaussianBlur stdDeviation='4'/></filter><rect id='x' width='9' height='9' filter='url(#f)'/>");
        Assert.DoesNotContain("a blur", Isolation.Of(drawing, drawing.Layer("x")).Beyond);
    }
}
