using Kalypto.Core.Designs;
using Kalypto.Core.Exporting;
using Kalypto.Core.Isolating;

namespace Kalypto.Core.Tests.Designs;

public class ReferenceTests
{
    [Theory]
    [InlineData("url(#g)")]
    [InlineData("url( #g )")]
    [InlineData("URL(#g)")]
    [InlineData("Url( ' #g ' )")]
    [InlineData("url(\"#g\") #fff")]
    public void A_reference_is_found_and_renamed_in_any_form_that_css_allows(string value)
    {
        Assert.Equal(["g"], References.Of("fill", value));
        Assert.True(References.IsReference(value));
        Assert.StartsWith("url(#other)", References.Rename("fill", value, id => id == "g" ? "other" : id), StringComparison.Ordinal);
    }

    [Theory]
    [InlineData("fill", "#g")]
    [InlineData("fill", "url(#g")]
    [InlineData("href", "data:image/png;base64,url(#g)")]
    [InlineData("fill", "url(data:x)")]
    public void What_is_no_reference_is_left_alone(string name, string value)
    {
        Assert.Empty(References.Of(name, value));
        Assert.Equal(value, References.Rename(name, value, _ => "other"));
    }

    [Fact]
    public void Many_references_in_one_value_are_found_and_renamed_each_once()
    {
        Assert.Equal(["a", "b"], References.Of("filter", "url(#a) blur(2) url( '#b' )"));
        Assert.Equal("url(#A) blur(2) url(#B)", References.Rename("filter", "url(#a) blur(2) url( '#b' )", id => id.ToUpperInvariant()));
        // 200,000 that never end are gone through once.
        Assert.Empty(References.Of("fill", string.Concat(Enumerable.Repeat("url(", 200_000))));
    }

    [Theory]
    [InlineData("url( #g )")]
    [InlineData("URL(#g)")]
    public void A_gradient_that_is_referred_to_so_is_kept_in_an_exported_svg(string fill)
    {
        var drawing = Svg.Read($"<linearGradient id='g'><stop offset='0' stop-color='#123456'/><stop offset='1' stop-color='#abcdef'/></linearGradient><path id='moon' d='M0 0h20v20z' fill='{fill}'/>");
        var svg = SvgExport.Of(Isolation.Of(drawing, drawing.Layer("moon")), new(0, 0, 20, 20), 20, 20);
        Assert.Contains("linearGradient", svg, StringComparison.Ordinal);
        Assert.Matches("fill=\"url\\(#\\w+\\)\"", svg);
    }
}
