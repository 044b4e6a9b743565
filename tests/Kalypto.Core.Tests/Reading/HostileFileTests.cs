using System.Text;
using Kalypto.Core.Reading;

namespace Kalypto.Core.Tests.Reading;

public class HostileFileTests
{
    private const string Head = "<svg xmlns='http://www.w3.org/2000/svg' viewBox='0 0 10 10'>";

    public static TheoryData<string, string, string> Refused() => new()
    {
        { "empty file", "", "empty" },
        { "not XML", "hello", "The file is plain text, which is no drawing" },
        { "binary", "\u0001\u0002\u0003", "of a sort that is not known here" },
        { "JSON", " {\"icons\": []}", "The file is JSON" },
        { "PostScript", "%!PS\n", "PostScript" },
        { "spaces", " \n ", "nothing but spaces" },
        { "almost XML", "<hello", "not well-formed" },
        { "other XML", "<html><body/></html>", "<html>" },
        { "other namespace", "<svg xmlns='urn:other'/>", "not an SVG" },
        { "cut off", Head + "<g><rect", "not whole" },
        { "cut off in text", Head + "<text>ab", "not whole" },
        { "wrong end tag", Head + "<g></rect></svg>", "not whole" },
        { "entity bomb", "<!DOCTYPE svg [<!ENTITY a 'x'><!ENTITY b '&a;&a;&a;&a;'>]>" + Head + "&b;</svg>", "entities" },
        { "outside entity", "<!DOCTYPE svg [<!ENTITY f SYSTEM 'file:///etc/passwd'>]>" + Head + "<text>&f;</text></svg>", "entities" },
        { "undeclared entity", Head + "<text>&lol;</text></svg>", "undeclared" },
        { "depth", Head + string.Concat(Enumerable.Repeat("<g>", 100_000)), "deep" },
        { "width", "<svg xmlns='http://www.w3.org/2000/svg' width='1e9' height='1e9'/>", "32000 on a side" },
        { "no size", "<svg xmlns='http://www.w3.org/2000/svg'/>", "how large" },
        { "zero viewBox", "<svg xmlns='http://www.w3.org/2000/svg' viewBox='0 0 0 0'/>", "nothing fits" },
        { "negative viewBox", "<svg xmlns='http://www.w3.org/2000/svg' viewBox='0 0 -5 10'/>", "nothing fits" },
        { "words for a viewBox", "<svg xmlns='http://www.w3.org/2000/svg' viewBox='a b c d'/>", "not four numbers" },
        { "infinite viewBox", "<svg xmlns='http://www.w3.org/2000/svg' viewBox='0 0 1e999 10'/>", "not four numbers" },
        { "use bomb", Head + "<g id='a0'><rect/></g>" + string.Concat(Enumerable.Range(1, 40).Select(i => $"<g id='a{i}'><use href='#a{i - 1}'/><use href='#a{i - 1}'/></g>")) + "</svg>", "Repeats" },
        { "use of itself", Head + "<g id='a'><use href='#a'/></g></svg>", "itself" },
        { "long filter", Head + "<filter id='f'>" + string.Concat(Enumerable.Repeat("<feGaussianBlur/>", 500)) + "</filter></svg>", "steps" },
        { "style rules", Head + "<style>" + string.Concat(Enumerable.Range(0, 5000).Select(i => $".c{i}{{fill:red}}")) + "</style></svg>", "selectors" },
        { "entangled selectors", Head + "<style>x " + string.Concat(Enumerable.Repeat("g ", 30)) + "rect{fill:red}</style>" + string.Concat(Enumerable.Repeat("<g>", 190)) + "<rect/>" + string.Concat(Enumerable.Repeat("</g>", 190)) + "</svg>", "entangled" },
        { "compressed", "\u001f\u008b", "compressed" },
    };

    [Theory]
    [MemberData(nameof(Refused))]
    public void Is_refused_with_its_reason_and_a_remedy(string what, string file, string reason)
    {
        var bytes = what == "compressed" ? [0x1f, 0x8b, 8, 0] : Encoding.UTF8.GetBytes(file);
        var refusal = Assert.Throws<DrawingRefusedException>(() => SvgReader.Read(bytes, what));
        Assert.Contains(reason, refusal.Message, StringComparison.OrdinalIgnoreCase);
        Assert.EndsWith(".", refusal.Message, StringComparison.Ordinal);
    }

    [Fact]
    public void Too_many_bytes_and_elements_are_refused()
    {
        var limits = new ReadingLimits { Bytes = 200_000, Elements = 500 };
        Assert.Contains("MB", Refusal(new byte[200_001], limits), StringComparison.Ordinal);
        Assert.Contains("elements", Refusal(Encoding.UTF8.GetBytes(Head + string.Concat(Enumerable.Repeat("<g/>", 501)) + "</svg>"), limits), StringComparison.Ordinal);
    }

    [Theory]
    [InlineData("<image id='x' href='http://10.0.0.1/a.png'/>")]
    [InlineData("<image id='x' href='file:///etc/passwd'/>")]
    [InlineData("<use id='x' href='other.svg#a'/>")]
    [InlineData("<rect id='x' fill='url(http://x/y#p)'/>")]
    [InlineData("<style>rect{fill:url(http://x/y#p)}</style><rect id='x'/>")]
    [InlineData("<rect id='x' filter='url(\"\\\\host\\share#f\")'/>")]
    public void What_lies_outside_the_file_is_left_out_said_on_its_layer_and_costs_no_other(string inside)
    {
        var drawing = Svg.Read($"<circle id='y' r='9'/>{inside}");
        Assert.Equal([("x", true)], drawing.Notes.Select(n => (drawing.Layers[n.Layer!.Value].Name, n.Sentence.Contains("outside the file", StringComparison.Ordinal))));
        Assert.Equal("y", drawing.Layer("y").Name);
        Assert.DoesNotContain(drawing.Root.SelfAndDescendants().SelectMany(e => e.Attributes), a => a.Value.Contains("//", StringComparison.Ordinal) || a.Value.Contains("other", StringComparison.Ordinal) || a.Value.Contains("host", StringComparison.Ordinal));
    }

    [Fact]
    public void Plain_entities_come_in_and_no_others()
    {
        const string Type = "<!DOCTYPE svg PUBLIC '-//W3C//DTD SVG 1.1//EN' 'http://www.w3.org/Graphics/SVG/1.1/DTD/svg11.dtd' [\n\t<!ENTITY ns_svg \"http://www.w3.org/2000/svg\">\n\t<!ENTITY night '#036'>\n]>";
        var drawing = SvgReader.Read(Encoding.UTF8.GetBytes(Type + "<svg xmlns='&ns_svg;' viewBox='0 0 9 9'><rect id='x' width='9' height='9' fill='&night;'/></svg>"), "Drawing");
        Assert.Equal("#036", drawing.Layer("x").Element["fill"]);
        Assert.Equal("Night & day &b;", SvgReader.Read(Encoding.UTF8.GetBytes("<!DOCTYPE svg [<!ENTITY a 'Night &amp; day &amp;b;'>]><svg xmlns='http://www.w3.org/2000/svg' viewBox='0 0 9 9'><text>&a;</text></svg>"), "Drawing").Layers[1].Name);
        foreach (var declared in new[] { "<!ENTITY a '&#60;script/>'>", "<!ENTITY a '&#38;b;'>", "<!ENTITY a '&#038;b;'>", "<!ENTITY a '&b;'>", "<!ENTITY a '&lt;b>'>", "<!ENTITY % a 'b'>", "<!ENTITY a PUBLIC 'x' 'http://x/'>", "<!ENTITY a 'x'><!ENTITY b SYSTEM 'file:///etc/passwd'>", "<!ENTITY a '<rect/>'>", "<!ENTITY a 'x'><!ATTLIST rect width CDATA '9'>" })
        {
            Assert.Contains("entities", Refusal(Encoding.UTF8.GetBytes($"<!DOCTYPE svg [{declared}]>{Head}<rect width='9' height='9'/></svg>")), StringComparison.Ordinal);
        }
        // However often one is named, it comes to so much and no more.
        Assert.Contains("not whole", Refusal(Encoding.UTF8.GetBytes($"<!DOCTYPE svg [<!ENTITY a '{new string('a', 900)}'>]>{Head}<text>{string.Concat(Enumerable.Repeat("&a;", 3000))}</text></svg>")), StringComparison.Ordinal);
    }

    [Fact]
    public void Scripts_handlers_and_foreign_content_are_left_out_and_said()
    {
        var drawing = Svg.Read("""
            <script>alert(1)</script><rect id='a' onclick='alert(2)' onload='x'/><a href='javascript:alert(3)'><rect id='b'/></a>
            <foreignObject><body xmlns='http://www.w3.org/1999/xhtml'><script>1</script></body></foreignObject><animate attributeName='x'/>
            """);
        var all = drawing.Root.SelfAndDescendants().ToList();
        Assert.DoesNotContain(all, e => e.Name is "script" or "animate");
        // Only where foreign content stood is known.
        Assert.All(all.Where(e => e.Name == "foreignObject"), e => Assert.Equal((0, 0), (e.Attributes.Length, e.Children.Length)));
        Assert.DoesNotContain(all.SelectMany(e => e.Attributes), a => a.Name.StartsWith("on", StringComparison.Ordinal) || a.Value.Contains("alert", StringComparison.Ordinal));
        Assert.Contains(drawing.Notes, n => n.Sentence.Contains("script", StringComparison.Ordinal));
    }

    [Fact]
    public void A_plain_document_type_and_endless_names_come_in()
    {
        var file = "<!DOCTYPE svg PUBLIC '-//W3C//DTD SVG 1.1//EN' 'http://www.w3.org/Graphics/SVG/1.1/DTD/svg11.dtd'>"
            + Head + $"<rect data-name='../../etc/passwd'/><rect data-name='{new string('n', 5000)}'/></svg>";
        var drawing = SvgReader.Read(Encoding.UTF8.GetBytes(file), "Drawing");
        Assert.Equal("../../etc/passwd", drawing.Layers[1].Name);
        Assert.Equal(200, drawing.Layers[2].Name.Length);
    }

    private static string Refusal(byte[] file, ReadingLimits? limits = null) =>
        Assert.Throws<DrawingRefusedException>(() => SvgReader.Read(file, "Drawing", limits)).Message;
}
