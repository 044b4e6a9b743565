using Kalypto.Core.Isolating;
using Xunit;

namespace Kalypto.Core.Tests.Isolating;

public sealed class MeasuringDocumentTests
{
    [Fact]
    public void A_document_holds_what_is_asked_for_and_what_that_refers_to()
    {
        var drawing = Svg.Read("""
            <linearGradient id="sky"><stop offset="1"/></linearGradient>
            <clipPath id="cut"><rect id="edge" width="9" height="9"/></clipPath>
            <g id="dome" transform="translate(7 7)"><g><path id="slit" d="M1 1h4"/></g><circle id="lamp" r="3"/></g>
            <g id="hall"><use id="again" href="#dome" fill="url(#sky)" clip-path="url(#cut)"/><use id="edge again" href="#edge"/></g>
            """);
        string Of(string name) => new MeasuringDocument(drawing, hiddenToo: false).Of([drawing.Layer(name)]);

        // What a use shows is there as a whole, the gradient is not: no paint changes a shape.
        var again = Of("again");
        Assert.Contains("d=\"M1 1h4\"", again, StringComparison.Ordinal);
        Assert.Contains("fill=\"#000\"", again, StringComparison.Ordinal);
        Assert.DoesNotContain("sky", again, StringComparison.Ordinal);
        Assert.DoesNotContain("clip-path=", again, StringComparison.Ordinal);
        // A shape within a clip that is shown elsewhere stays.
        Assert.Contains("id=\"edge\"", Of("edge again"), StringComparison.Ordinal);

        var many = Svg.Read(string.Concat(Enumerable.Range(0, 50).Select(i => $"<g id='g{i}'><path id='p{i}' d='M{i} 1h9'/></g>")));
        var one = new MeasuringDocument(many, hiddenToo: false).Of([many.Layer("p7")]);
        Assert.Contains("translate(7 1)", one, StringComparison.Ordinal);
        Assert.DoesNotContain("8 1", one, StringComparison.Ordinal);
    }
}
