using Kalypto.Core.Designs;
using Kalypto.Core.Isolating;
using Kalypto.Core.Reading;

namespace Kalypto.Core.Tests.Isolating;

public class IsolationTests
{
    private const string Scene = """
        <defs><linearGradient id='g2'><stop offset='0'/></linearGradient><linearGradient id='g1' href='#g2'/><filter id='f'/><clipPath id='c'><rect/></clipPath><g id='unused'/></defs>
        <rect id='behind'/>
        <g id='outer' transform='translate(5 5)' opacity='.5' filter='url(#f)' clip-path='url(#c)'>
          <rect id='sibling'/><g id='target' fill='url(#g1)' display='none'><circle id='inner' r='3'/><path id='extra'/></g>
        </g>
        """;

    [Fact]
    public void A_layer_comes_with_what_belongs_to_it_and_nothing_else()
    {
        var drawing = Svg.Read(Scene);
        var document = Isolation.Of(drawing, drawing.Layer("target")).Document(new Box(1, 2, 3, 4), 30, 40);
        Assert.StartsWith("<svg xmlns=\"http://www.w3.org/2000/svg\" width=\"30\" height=\"40\" viewBox=\"1 2 3 4\">", document, StringComparison.Ordinal);
        Assert.All(["translate(5 5)", "opacity=\".5\"", "url(#c)", "id=\"g1\"", "id=\"g2\"", "<circle"], part => Assert.Contains(part, document, StringComparison.Ordinal));
        Assert.All(["url(#f)", "display", "<filter", "unused"], part => Assert.DoesNotContain(part, document, StringComparison.Ordinal));
        // The only rect left is the one of the clip.
        Assert.Equal(2, document.Split("<rect").Length);
    }

    [Fact]
    public void What_the_file_says_of_its_size_on_a_page_moves_nothing_in_it()
    {
        var drawing = Svg.Read("<path id='line' d='M0 10h90'/>", "viewBox='0 0 100 100' width='640' style='max-width:100%;height:auto;width:100%;background:#fff;font-weight:700'");
        var document = Isolation.Of(drawing, drawing.Layer("line")).Document(new(0, 0, 50, 50), 50, 50);
        Assert.Contains("<svg x=\"0\" y=\"0\" width=\"100\" height=\"100\"", document.Replace("style=\"font-weight:700\" ", "", StringComparison.Ordinal), StringComparison.Ordinal);
        Assert.DoesNotContain("auto", document, StringComparison.Ordinal);
        Assert.Equal(new Box(0, 0, 300, 200), Svg.Read("<path d='M0 10h90'/>", "width='100%' style='width:300px;height:200px'").Box);
    }

    [Fact]
    public void What_is_left_stays_out_of_the_picture_and_changes_its_key()
    {
        var drawing = Svg.Read(Scene);
        var target = drawing.Layer("target");
        var without = Isolation.Of(drawing, target, new HashSet<int> { drawing.Layer("inner").Ordinal });
        Assert.DoesNotContain("<circle", without.Document(drawing.Box, 10, 10), StringComparison.Ordinal);
        Assert.NotEqual(Isolation.Of(drawing, target).Key, without.Key);
    }

    [Fact]
    public void The_key_depends_on_everything_that_is_drawn_and_only_on_that()
    {
        static Fingerprint Key(string scene) { var d = Svg.Read(scene); return Isolation.Of(d, d.Layers.First(l => l.Element.Name == "circle")).Key; }
        var same = Key(Scene);
        Assert.Equal(same, Key(Scene.Replace("<rect id='behind'/>", "<rect id='behind' fill='red'/>", StringComparison.Ordinal)));
        Assert.Equal(same, Key(Scene.Replace("'inner'", "'renamed'", StringComparison.Ordinal)));
        Assert.NotEqual(same, Key(Scene.Replace("r='3'", "r='4'", StringComparison.Ordinal)));
        Assert.NotEqual(same, Key(Scene.Replace("offset='0'", "offset='1'", StringComparison.Ordinal)));
        Assert.NotEqual(same, Key(Scene.Replace("translate(5 5)", "translate(6 5)", StringComparison.Ordinal)));
        Assert.NotEqual(same, Key(Scene.Replace("clipPath id='c'><rect", "clipPath id='c'><rect x='1'", StringComparison.Ordinal)));
    }

    [Fact]
    public void A_document_reads_back_as_the_same_drawing()
    {
        var drawing = Svg.Read("<text id='t' fill='&quot;&lt;&amp;'> a &lt; b &amp; c </text>");
        var document = Isolation.Of(drawing, drawing.Layer("t")).Document(drawing.Box, 10, 10);
        var again = SvgReader.Read(System.Text.Encoding.UTF8.GetBytes(document), "Again");
        Assert.Equal(drawing.Layer("t").Element.Fingerprint, again.Layers.Last().Element.Fingerprint);
    }
}
