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
    public void Ids_that_a_program_makes_anew_are_no_other_drawing_and_other_definitions_are()
    {
        static Fingerprint KeyOf(string scene) => Svg.Read(scene) is var drawing ? Isolation.Of(drawing, drawing.Layers.Single(l => l.Name == "bell")).Key : default;
        const string Own = "<defs><linearGradient id='g2'><stop offset='0' stop-color='#123'/></linearGradient><linearGradient id='g1' href='#g2' x2='9'/><clipPath id='c'><rect width='9' height='9' fill='url(#g2)'/></clipPath></defs>"
            + "<g data-name='bell' clip-path='url(#c)'><path d='M0 0L9 9' fill='url(#g1)'/><path d='M3 3L9 9' fill='url(#g2)'/></g>";
        static string Named(string g1, string g2, string c) => Own.Replace("g1", "one").Replace("g2", "two").Replace("'c'", $"'{c}'").Replace("#c", $"#{c}").Replace("one", g1).Replace("two", g2);
        Assert.Equal(KeyOf(Own), KeyOf(Named("n1000", "n1001", "n9")));
        // Also where an id goes to something else.
        Assert.Equal(KeyOf(Own), KeyOf(Named("g2", "c", "g1")));
        Assert.NotEqual(KeyOf(Own), KeyOf(Own.Replace("fill='url(#g1)'/><path d='M3 3L9 9' fill='url(#g2)'", "fill='url(#g2)'/><path d='M3 3L9 9' fill='url(#g1)'")));
        Assert.NotEqual(KeyOf(Own), KeyOf(Own.Replace("#123", "#124")));
        Assert.NotEqual(KeyOf(Own), KeyOf(Own.Replace("x2='9'", "x2='8'")));
    }

    [Theory]
    [InlineData("clip-path='url(#box)'", true)]
    [InlineData("clip-path='url(#nested)'", true)]
    [InlineData("mask='url(#region)'", true)]
    [InlineData("style='clip-path:inset(10%)'", true)]
    [InlineData("style='transform-box:fill-box;transform:scale(.5)'", true)]
    [InlineData("clip-path='url(#plain)' mask='url(#plainMask)'", false)]
    // Around everything, whatever part of the group is drawn.
    [InlineData("mask='url(#noPlace)'", false)]
    [InlineData("style='clip-path:inset(10%) view-box'", false)]
    public void A_part_of_a_group_depends_on_the_rest_where_their_box_counts(string effect, bool counts)
    {
        const string Definitions = "<clipPath id='box' clipPathUnits='objectBoundingBox'><rect width='1' height='1'/></clipPath><clipPath id='plain'><rect width='9' height='9'/></clipPath><clipPath id='nested' clip-path='url(#box)'><rect width='9' height='9'/></clipPath>"
            + "<mask id='region' x='0' y='0' width='1' height='1'><rect width='9' height='9'/></mask><mask id='plainMask' maskUnits='userSpaceOnUse'><rect width='9' height='9'/></mask><mask id='noPlace'><rect width='9' height='9'/></mask>";
        Isolation Part(string rest)
        {
            var drawing = Svg.Read($"{Definitions}<g {effect}><path id='part' d='M0 0h9v9z'/>{rest}</g>");
            return Isolation.Of(drawing, drawing.Layer("part"));
        }
        var (one, other, alone) = (Part("<circle r='3'/>"), Part("<circle r='4'/>"), Part(""));
        Assert.Equal(counts, one.Beyond.Contains(CountedBox.Reason));
        Assert.Equal(counts, one.Key != other.Key);
        Assert.DoesNotContain(CountedBox.Reason, alone.Beyond);
        Assert.DoesNotContain(CountedBox.Reason, Part("<circle r='3' display='none'/>").Beyond);
        // The group itself is all that is in it.
        var whole = Svg.Read($"{Definitions}<g id='whole' {effect}><path d='M0 0h9v9z'/><circle id='left' r='3'/></g>");
        Assert.Equal(counts, Isolation.Of(whole, whole.Layer("whole"), new HashSet<int> { whole.Layer("left").Ordinal }).Beyond.Contains(CountedBox.Reason));
        Assert.DoesNotContain(CountedBox.Reason, Isolation.Of(whole, whole.Layer("whole")).Beyond);
    }

    [Fact]
    public void What_is_seen_in_something_hidden_is_there_and_what_is_hidden_is_not()
    {
        var drawing = Svg.Read("<g id='outer'><g id='unseen' visibility='hidden'><rect id='away'/><g id='seen' visibility='visible'><path id='line' d='M0 0h9'/></g></g></g><g id='gone' visibility='hidden'><circle id='dot' r='3'/></g>");
        Assert.Equal(["away", "gone"], drawing.Layers.Where(l => l.Hidden).Select(l => l.Name));
        string Document(string name) => Isolation.Of(drawing, drawing.Layer(name)).Document(new(0, 0, 9, 9), 9, 9);
        // As in the drawing; what ships though it is hidden is drawn all the same.
        Assert.All(["outer", "unseen", "line"], name => Assert.Contains("visibility=\"hidden\"", Document(name), StringComparison.Ordinal));
        Assert.All(["away", "gone", "dot"], name => Assert.DoesNotContain("hidden", Document(name), StringComparison.Ordinal));
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
