using System.Text;
using Kalypto.Core.Reading.Pdf;

namespace Kalypto.Core.Tests.Reading;

/// <summary>Marked groups of a page become optional content where they are told, and nothing else of it changes.</summary>
public sealed class MarkedContentTests
{
    private static string? Rewrite(string content, string told = "Card") =>
        MarkedContent.ToOptional(Encoding.Latin1.GetBytes(content), (tag, _) => tag == told ? "G" : null) is { } written ? Encoding.Latin1.GetString(written) : null;

    [Theory]
    [InlineData("q /Card BMC 0 0 9 9 re f EMC Q", "q /OC /G BDC 0 0 9 9 re f EMC Q")]
    [InlineData("q /Card <</Title (a \\) b)/X [1 2]>> BDC f EMC", "q /OC /G BDC f EMC")]
    // Inside of what is told, or of optional content, nothing is; behind it, it is again.
    [InlineData("/Card BMC /Card BMC f EMC EMC /Card BMC f EMC", " /OC /G BDC /Card BMC f EMC EMC /OC /G BDC f EMC")]
    [InlineData("/OC /A BDC /Card BMC f EMC EMC", null)]
    // In strings, comments and the data of pictures there are no operators.
    [InlineData("(/Card BMC) Tj % /Card BMC\n<2F43> Tj f", null)]
    [InlineData("BI /W 1 /H 1 ID \n/Card BMC \nEI Q", null)]
    [InlineData("/P BMC f EMC", null)]
    public void Groups_that_are_told_become_optional_content(string content, string? expected) => Assert.Equal(expected, Rewrite(content));

    [Fact]
    public void Names_are_read_with_their_escapes() => Assert.Equal("/OC /G BDC f EMC", Rewrite("/Star#20map BMC f EMC", "Star map")!.Trim());

    [Fact]
    public void Whatever_the_bytes_are_it_comes_to_their_end()
    {
        var random = new Random(7);
        const string Parts = "()<>[]{}/%#\\ \nBDCEMIDabc19";
        for (var i = 0; i < 2_000; i++)
        {
            var content = new string([.. Enumerable.Range(0, random.Next(60)).Select(_ => Parts[random.Next(Parts.Length)])]) + "/Card BMC f EMC";
            // What is not replaced stays as it was.
            Assert.EndsWith("f EMC", Rewrite(content) ?? content, StringComparison.Ordinal);
        }
    }
}
