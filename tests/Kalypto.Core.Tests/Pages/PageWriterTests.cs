using System.Collections.Immutable;
using System.Globalization;
using System.Text.RegularExpressions;
using System.Xml.Linq;
using CsCheck;
using Kalypto.Core.Designs;
using Kalypto.Core.Pages;
using Kalypto.Core.Styling;
using Kalypto.Core.Tagging;

namespace Kalypto.Core.Tests.Pages;

public partial class PageWriterTests
{
    private static readonly TypeStyle Body = new("Inter", 400, false, 14, null, 0, "none");

    private static PagePart Words(int layer, double x, double baseline, string words, double size = 14, int weight = 400, string anchor = "start", string name = "", string tags = "", params int[] groups)
    {
        var width = words.Split('\n').Max(l => l.Length) * size / 2;
        var run = Body with { Size = size, Weight = weight, LineHeight = words.Contains('\n', StringComparison.Ordinal) ? size * 1.5 : null };
        ImmutableArray<TextLine> lines = [.. words.Split('\n').Select((l, i) => new TextLine(x, baseline + i * size * 1.5, [new TextRun(l, run, new SolidFill(new(20, 20, 20, 1)))]) { Measure = new(l.Length * size / 2, size, size / 4) })];
        var left = anchor == "middle" ? x - width / 2 : anchor == "end" ? x - width : x;
        var box = new Box(left, baseline - size, width, size * 1.25);
        return new(layer, PartKind.Words, name, box) { Values = new(box) { Text = new(lines, anchor) }, Said = TagsOf(tags), Groups = [.. groups] };
    }

    private static PagePart Ground(int layer, double x, double y, double width, double height, double radius = 0, string name = "", string tags = "", params int[] groups) =>
        new(layer, PartKind.Box, name, new(x, y, width, height)) { Values = new(new Box(x, y, width, height)) { Fill = new SolidFill(new(240, 230, 200, 1)), Radii = Radii.All(radius) }, Said = TagsOf(tags), Groups = [.. groups] };

    private static PagePart Picture(int layer, double x, double y, double width, double height, string name = "", string tags = "", params int[] groups) =>
        new(layer, PartKind.Picture, name, new(x, y, width, height)) { Picture = new($"images/{layer}.png", width, height, name), Said = TagsOf(tags), Groups = [.. groups] };

    private static Tags TagsOf(string tags) => tags.Length == 0 ? Tags.Empty : Tags.Parse(tags);

    private static WrittenPage Write(double width, double height, IEnumerable<PagePart> parts, params (int Layer, string Name)[] groups) => Write(width, height, parts, [], groups);

    private static WrittenPage Write(double width, double height, IEnumerable<PagePart> parts, ImmutableArray<PageLink> links, params (int Layer, string Name)[] groups) => PageWriter.Write(
        new("Tonight", width, height, [.. parts], groups.ToDictionary(g => g.Layer, g => new PageGroup(g.Layer, g.Name, Tags.Empty))) { Links = links }, NoNames.One, []);

    private static string Inside(WrittenPage page) => page.HtmlText[(page.HtmlText.IndexOf("<body>", StringComparison.Ordinal) + 7)..page.HtmlText.IndexOf("</body>", StringComparison.Ordinal)];

    private static string RuleOf(WrittenPage page, string selector) => page.CssText.Split("\n\n").Single(r => r.StartsWith(selector + " {", StringComparison.Ordinal));

    [Fact]
    public void A_card_is_written_as_somebody_would_write_it()
    {
        var page = Write(375, 600,
        [
            Ground(1, 0, 0, 375, 600), Words(2, 24, 80, "Tonight", 30, 700), Words(3, 24, 110, "Clear until two"),
            Ground(4, 20, 140, 335, 60, 14, groups: [10]), Picture(5, 36, 158, 24, 24, "saturn", groups: [10]), Words(6, 76, 166, "Saturn at the great lens", 18, 600, groups: [10]), Words(7, 76, 186, "21:30, dome one", groups: [10]),
        ], (10, "event row"));
        Assert.Equal("""
              <main>
                <h1 class="words heading">Tonight</h1>
                <p class="words-2">Clear until two</p>
                <section class="event-row">
                  <img class="saturn" src="images/5.png" width="24" height="24" alt="">
                  <div class="event-row-column">
                    <h2 class="heading-2">Saturn at the great lens</h2>
                    <p>21:30, dome one</p>
                  </div>
                </section>
              </main>

            """.Replace("class=\"words heading\"", "class=\"main-words heading\"", StringComparison.Ordinal).Replace("class=\"words-2\"", "class=\"main-words-2\"", StringComparison.Ordinal), Inside(page), ignoreLineEndingDifferences: true);
        Assert.Contains("background-color: #f0e6c8;", RuleOf(page, "body"), StringComparison.Ordinal);
        var row = RuleOf(page, ".event-row");
        Assert.Contains("border-radius: 14px;", row, StringComparison.Ordinal);
        Assert.Contains("display: flex;\n  gap: 16px;", row, StringComparison.Ordinal);
        Assert.Equal(0, page.Positioned);
    }

    [Fact]
    public void Cards_beside_one_another_are_a_list_that_becomes_narrower()
    {
        IEnumerable<PagePart> Card(int i) => [Ground(10 * i, 120 + i * 408, 100, 384, 200, 12), Words(10 * i + 1, 144 + i * 408, 140, "Open evenings", 18, 600), Words(10 * i + 2, 144 + i * 408, 170, "Every clear Thursday")];
        var page = Write(1440, 400, [Words(99, 120, 60, "The sky is open", 40, 700), .. Enumerable.Range(0, 3).SelectMany(Card)]);
        Assert.Equal(3, Regex().Count(Inside(page)));
        Assert.Contains("grid-template-columns: repeat(auto-fit, minmax(min(100%, 268px), 1fr));", page.CssText, StringComparison.Ordinal);
        Assert.Contains("max(20px, calc(50% - 600px))", page.CssText, StringComparison.Ordinal);
        Assert.Contains("font-size: clamp(24px, 2.78vw, 40px);", page.CssText, StringComparison.Ordinal);
    }

    [Fact]
    public void What_a_layer_is_called_or_tagged_says_what_it_is()
    {
        PagePart[] parts =
        [
            Words(1, 20, 40, "Larkrise", 30, 700), Ground(2, 20, 80, 200, 48, 4, groups: [20]), Words(3, 120, 110, "Book", anchor: "middle", groups: [20]), Words(4, 20, 180, "More", tags: "href:/more"),
            Words(5, 20, 230, "Hours", 20, 600, tags: "as:h3"), Picture(6, 20, 260, 200, 100, "dome", "alt:The_dome"), Picture(7, 20, 380, 200, 100, "stars", "decorative"),
        ];
        var html = Inside(Write(375, 600, parts, (20, "book button")));
        Assert.Contains("<button class=\"book-button small\" type=\"button\">Book</button>", html, StringComparison.Ordinal);
        Assert.Matches("<a [^>]*href=\"/more\">More</a>", html);
        Assert.Matches("<h3[^>]*>Hours</h3>", html);
        Assert.Contains("alt=\"The dome\"", html, StringComparison.Ordinal);
        Assert.Contains("alt=\"\"", html, StringComparison.Ordinal);
        // A button whose words are the name of another screen leads there.
        Assert.Contains("<a class=\"book-button small\" href=\"book.html\">Book</a>", Inside(Write(375, 600, parts, [new("Tonight", "index.html", true), new("Book", "book.html", false)], (20, "book button"))), StringComparison.Ordinal);
    }

    [Fact]
    public void Lines_break_by_themselves_where_they_would_and_else_as_they_were_drawn()
    {
        // The next word of the first has no room; that of the second would have had it.
        var page = Write(375, 400, [Words(1, 20, 40, "Every clear Thursday and Saturday\nfrom dusk until the last question"), Words(2, 20, 120, "Short\nand then a rather long line")]);
        Assert.Contains(">Every clear Thursday and Saturday from dusk until the last question<", page.HtmlText, StringComparison.Ordinal);
        Assert.Contains(">Short<br>and then a rather long line<", page.HtmlText, StringComparison.Ordinal);
    }

    [Fact]
    public void A_picture_names_its_densities_and_the_smaller_formats_first()
    {
        var picture = Picture(1, 20, 20, 300, 200, "dome") with { Picture = new("images/dome.jpg", 300, 200, "Dome") { SourceSet = "images/dome.jpg 1x, images/dome@2x.jpg 2x", Others = [("image/avif", "images/dome.avif 1x, images/dome@2x.avif 2x")] } };
        Assert.Matches("<picture>\\s*<source type=\"image/avif\" srcset=\"images/dome.avif 1x, images/dome@2x.avif 2x\">\\s*<img[^>]* src=\"images/dome.jpg\" srcset=\"images/dome.jpg 1x, images/dome@2x.jpg 2x\" width=\"300\" height=\"200\" alt=\"Dome\">\\s*</picture>",
            Inside(Write(375, 600, [picture])));
    }

    [Theory]
    [InlineData(400, false, 400)]
    [InlineData(500, false, 400)]
    [InlineData(600, false, 700)]
    [InlineData(300, false, 200)]
    [InlineData(700, true, 401)]
    public void Words_are_drawn_by_the_face_that_a_browser_takes(int weight, bool isItalic, int face)
    {
        Core.Fonts.Font Face(int of, bool slanted = false) => new() { Sha256 = "", FileName = "", Names = ["Inter"], Lightest = of, Heaviest = of, IsItalic = slanted };
        (int Number, Core.Fonts.Font Font)[] faces = [(200, Face(200)), (400, Face(400)), (700, Face(700)), (401, Face(400, slanted: true))];
        Assert.Equal(face, Core.Fonts.FaceChoice.Of(faces, f => f.Font, weight, isItalic)!.Value.Number);
    }

    [Fact]
    public void Tags_say_what_takes_the_width_and_what_keeps_its_size()
    {
        string Css(string tags) => Write(800, 300, [Words(1, 40, 40, "Larkrise", 30, 700), Picture(2, 40, 80, 300, 100, "dome", tags)]).CssText;
        Assert.Contains("width: 100%", Css("fill"), StringComparison.Ordinal);
        Assert.DoesNotContain("width: 100%;\n", Css("keep").Replace("max-width: 100%;", "", StringComparison.Ordinal), StringComparison.Ordinal);
    }

    [Fact]
    public void Two_screens_of_the_same_things_are_one_page_with_a_width_between_them()
    {
        IEnumerable<PagePart> Card(int i, double x, double y, double width) => [Ground(10 * i, x, y, width, 200, 12), Words(10 * i + 1, x + 24, y + 40, $"Evening {i}", 18, 600), Words(10 * i + 2, x + 24, y + 70, "Every clear Thursday")];
        PageScreen Screen(string name, double width, double height, double size, Func<int, IEnumerable<PagePart>> card) => new(name, width, height,
            [Words(99, width / 12, 60, "The sky is open", size, 700), Picture(98, width / 12, 90, width / 4, width / 8, "dome"), .. Enumerable.Range(0, 3).SelectMany(card)], new Dictionary<int, PageGroup>());
        var wide = Screen("Home desktop", 1440, 600, 40, i => Card(i, 120 + i * 408, 300, 384));
        var narrow = Screen("Home phone", 375, 1000, 28, i => Card(i, 20, 200 + i * 220, 335));
        Assert.Equal([KeyValuePair.Create(0, 2)], PagePairs.Of([("Home desktop", 1440), ("Visits", 1440), ("Home phone", 375)]));
        Assert.Empty(PagePairs.Of([("Home", 1440), ("Home", 375), ("Visits 2", 1440), ("Visits", 375)]));
        var page = PageWriter.Together(wide, narrow, NoNames.One, [])!;
        var alone = PageWriter.Write(wide, NoNames.One, []);
        Assert.Equal(Classes().Replace(alone.HtmlText, ""), Classes().Replace(page.HtmlText, ""));
        var less = page.CssText[page.CssText.IndexOf("@media (width < 864px) {", StringComparison.Ordinal)..];
        Assert.Contains("font-size: 28px;", less, StringComparison.Ordinal);
        Assert.Contains("flex-direction: column;", less, StringComparison.Ordinal);
        Assert.Contains("grid-template-columns: unset;", less, StringComparison.Ordinal);
        // What is not the same stays two pages.
        Assert.Null(PageWriter.Together(wide, narrow with { Parts = narrow.Parts.RemoveAt(narrow.Parts.Length - 1) }, NoNames.One, []));
    }

    [Theory]
    [InlineData("as:script")]
    [InlineData("as:iframe")]
    [InlineData("href:javascript:alert(1)")]
    [InlineData("href:data:text/html,x")]
    [InlineData("href:\"onclick=x")]
    [InlineData("href:JavaScript:x")]
    [InlineData("href://elsewhere.example/login")]
    public void Nothing_that_runs_can_be_asked_for(string tag) => Assert.NotEmpty(TagLine.Parse(tag).Mistakes);

    [Fact]
    public void What_is_read_aloud_turns_no_direction()
    {
        Assert.Equal("gnp.exe", TagLine.Parse("alt:gnp\u202e.exe\u2066").ApplyTo(Tags.Empty).Alt);
        Assert.NotEmpty(TagLine.Parse("alt:\u202e").Mistakes);
    }

    [Fact]
    public void Layers_called_anything_give_plain_pages()
    {
        string[] hostile = ["\"><script>alert(1)</script>", "a'b\"c", "</style><b>", "🦉🦉", "{}*/;", "body", "-1", "\u0000\u0007\uFFFE", "onload=x", "&lt;"];
        var page = Write(375, 2000, hostile.SelectMany((name, i) => new[] { Ground(3 * i, 20, 20 + i * 120, 300, 100, 8, name, groups: [100 + i]), Words(3 * i + 1, 40, 60 + i * 120, name, 18, 600, name: name, groups: [100 + i]), Picture(3 * i + 2, 40, 80 + i * 120, 20, 20, name, groups: [100 + i]) }),
            [.. hostile.Select((name, i) => (100 + i, name))]);
        Assert.DoesNotContain("<script", page.HtmlText, StringComparison.OrdinalIgnoreCase);
        Assert.DoesNotContain("<style", page.HtmlText, StringComparison.OrdinalIgnoreCase);
        Assert.All(ClassName().Matches(page.HtmlText).SelectMany(m => m.Groups[1].Value.Split(' ')), c => Assert.Matches("^[a-z][a-z0-9-]*$", c));
        Assert.All(page.CssText.Split('\n').Where(l => l.EndsWith('{')), l => Assert.Matches(@"^[.a-z:*@][a-z0-9:., *@-]*\{$", l));
        Assert.DoesNotContain(page.HtmlText, c => c != '\n' && char.IsControl(c));
    }

    [Fact]
    public void Any_screen_gives_a_page_with_all_its_words_once_and_the_same_one_every_time()
    {
        var part = Gen.Select(Gen.Int[-20, 700], Gen.Int[-20, 900], Gen.Int[1, 400], Gen.Int[1, 200], Gen.Int[0, 5], Gen.Int[0, 6]);
        part.Array[0, 40].Sample(all =>
        {
            List<PagePart> parts = [.. all.Select((p, i) => p.Item5 switch
            {
                0 or 1 => Words(i, p.Item1, p.Item2 + 20, string.Create(CultureInfo.InvariantCulture, $"word{i}"), 10 + p.Item6 * 4, anchor: p.Item6 switch { 0 => "middle", 1 => "end", _ => "start" }, groups: [1000 + p.Item6]),
                2 or 3 => Ground(i, p.Item1, p.Item2, p.Item3, p.Item4, p.Item6 * 4, groups: [1000 + p.Item6]),
                _ => Picture(i, p.Item1, p.Item2, p.Item3, p.Item4, "picture", groups: [1000 + p.Item6]),
            })];
            (int, string)[] groups = [.. Enumerable.Range(0, 7).Select(g => (1000 + g, g switch { 0 => "nav", 1 => "book button", 2 => "footer", 3 => "more link", _ => "" }))];
            var page = Write(700, 900, parts, groups);
            // It is made of whole elements: as XML once what HTML leaves open is closed.
            var body = XElement.Parse("<body>" + OpenTag().Replace(Inside(page), "$0</img>").Replace("<br>", "<br/>", StringComparison.Ordinal) + "</body>");
            var words = body.Descendants().SelectMany(e => e.Nodes().OfType<XText>()).Select(t => t.Value.Trim()).Where(t => t.Length > 0).ToList();
            Assert.Equal(parts.Where(p => p.Kind == PartKind.Words).Select(p => $"word{p.Layer}").Order(StringComparer.Ordinal), words.Order(StringComparer.Ordinal));
            Assert.Equal(parts.Count(p => p.Kind == PartKind.Picture), body.Descendants("img").Count());
            Assert.DoesNotMatch("NaN|Infinity|∞", page.CssText);
            Assert.Equal((page.HtmlText, page.CssText), (Write(700, 900, parts, groups).HtmlText, Write(700, 900, parts, groups).CssText));
            Assert.All(body.DescendantsAndSelf("button").Concat(body.Descendants("a")), c => Assert.DoesNotContain(c.Descendants(), d => d.Name.LocalName is "a" or "button" or "p" or "div"));
        });
    }

    [GeneratedRegex("<li class=\"[^\"]+\">")]
    private static partial Regex Regex();

    [GeneratedRegex("class=\"([^\"]+)\"")]
    private static partial Regex ClassName();

    [GeneratedRegex(" class=\"[^\"]*\"")]
    private static partial Regex Classes();

    [GeneratedRegex("<img[^>]*>")]
    private static partial Regex OpenTag();
}
