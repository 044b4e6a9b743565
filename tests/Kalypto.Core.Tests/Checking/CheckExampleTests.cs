using Kalypto.Core.Arranging;
using Kalypto.Core.Asking;
using Kalypto.Core.Checking;
using Kalypto.Core.Deciding;
using Kalypto.Core.Designs;
using Kalypto.Core.Fonts;
using Kalypto.Core.Planning;
using Kalypto.Core.Platforms;
using Kalypto.Core.Platforms.Android;
using Kalypto.Core.Platforms.Web;
using Kalypto.Core.Rendering;
using Kalypto.Core.Tagging;

namespace Kalypto.Core.Tests.Checking;

/// <summary>A worked example of every check: what it says, word by word, and that its fix settles it.</summary>
public class CheckExampleTests
{
    private const string Star = "l6 5l4 12l-8 3z";
    private static readonly string Nine = string.Concat(Enumerable.Range(1, 9).Select(i => $"<path d='M{i}00 500L{i}40 540'/>"));
    private static readonly string Long = string.Join('-', Enumerable.Repeat("telescope", 7));
    private static readonly string Gif = Convert.ToBase64String([.. "GIF89a"u8, 60, 0, 45, 0, 0, 0, 0, 0]);

    private sealed record Example(DesignState Design, string Sentence)
    {
        public Func<Layer, Look>? Look { get; init; }

        public Question? Question { get; init; }
    }

    private static readonly Dictionary<string, Example> Examples = new()
    {
        ["asked"] = new(Of("<g id='book'><path id='book-normal' d='M0 0L9 9'/><path id='book-pressed' display='none' d='M0 0L9 9'/></g>", ("book-normal", "Ship button")),
            "Tom asks at “book-normal” on Drawing: its pressed state is missing.")
        { Question = new(7, new(1, 2), QuestionKind.State, "Tom") { State = "pressed" } },
        ["same-path-twice"] = new(Of("<path id='bell' d='M0 0L9 9'/><path id='Bell' d='M20 20L50 9'/>", ("bell", "Ship icon"), ("Bell", "Ship icon")),
            "“Bell” on Drawing and “bell” on Drawing would both be web/bell for Web."),
        ["name-refused"] = new(Named("!!", Of("<path id='bell' d='M0 0L9 9'/>", ("bell", "Ship picture"))),
            "“!!” on Drawing has no letter or digit that a file name can have."),
        ["other-name-there"] = new(Named("class", Of("<path id='bell' d='M0 0L9 9'/>", ("bell", "Ship picture"))),
            "Android does not take the name of “class” on Drawing: “class” is a word of the Java language. There it is class_picture."),
        ["folder-refused"] = new(Of("<path id='bell' d='M0 0L9 9'/>", ("bell", "Ship icon to:icons/nul")),
            "“bell” on Drawing would lie in icons/nul/, but “nul” is the name of a device on Windows."),
        ["one-colour-picture"] = new(Of("<rect id='sea' width='90' height='20'/>", ("sea", "Ship picture")),
            "“sea” on Drawing is a plain rectangle of #173a45: every pixel has the same colour.")
        { Look = l => new(new(0, 0, 90, 20), null) { Colour = "#173a45", IsFull = true } },
        ["blends-with-nothing"] = new(Of("<rect id='sand' width='90' height='20'/><path id='shade' style='mix-blend-mode:multiply' d='M0 0L9 9'/>", ("shade", "Ship picture")),
            "“shade” on Drawing mixes its colours with what lies beneath it (multiply), and ships alone, with nothing to mix with."),
        ["effect-cut-off"] = new(Of("<filter id='f'><feGaussianBlur stdDeviation='4'/></filter><path id='card' filter='url(#f)' d='M0 0L9 9'/>", ("card", "Ship picture crop:shape")),
            "The shadow or blur of “card” on Drawing reaches beyond its shape, where it is cut off.")
        { Look = l => new(new(-12, -12, 33, 33), null) },
        ["colours-beyond-srgb"] = new(Of("<path id='bell' d='M0 0L9 9' style='fill:color(display-p3 1 0 0)'/>", ("bell", "Ship picture p3")),
            "“bell” on Drawing is asked for in Display P3, which takes the exact engine, and there is none here; its files are in sRGB."),
        ["not-named-yet"] = new(Of("<path id='path1234' d='M0 0L9 9'/>", ("path1234", "Ship icon")),
            "“path1234” on Drawing ships, but nobody has named it yet."),
        ["long-name"] = new(Of($"<path id='{Long}' d='M0 0L9 9'/>", (Long, "Ship icon")),
            "The name of “telescope-telescope-telescope-telescope-…” on Drawing is longer than 60 characters and is cut there."),
        ["hidden-or-locked-layer-ships"] = new(Of("<path id='bell' display='none' d='M0 0L9 9'/>", ("bell", "Ship icon")),
            "“bell” on Drawing is hidden in the drawing and ships all the same."),
        ["hidden-layer-not-decided"] = new(Of("<path id='cloud' display='none' d='M0 0L9 9'/>"),
            "“cloud” on Drawing is hidden in the drawing and will not come as long as nobody ships it."),
        ["guides-ship"] = new(Of("<path id='guides' d='M0 0L9 9'/>", ("guides", "Ship")),
            "“guides” on Drawing looks like guides and ships."),
        ["nothing-visible"] = new(Of("<path id='gap' d='M0 0L9 9'/>", ("gap", "Ship icon")),
            "“gap” on Drawing ships, but nothing of it is visible, so no file is made.")
        { Look = _ => new(null, null) },
        ["nothing-made"] = new(Of("<path id='bell' d='M0 0L9 9'/>", ("bell", "Ship picture -webp svg")),
            "Android gets no file of “bell” on Drawing, for it does not take SVG."),
        ["parts-of-nothing"] = new(Of("<path id='bell' d='M0 0L9 9'/>", ("bell", "Ship parts")),
            "“bell” on Drawing is asked for in parts, but nothing in it would ship."),
        ["cannot-be-drawn"] = new(Of("<path id='bell' d='M0 0L9 9'/>", ("bell", "Ship icon")),
            "“bell” on Drawing cannot be drawn: It hangs. No file of it is made.")
        { Look = _ => new(null, "It hangs.") },
        ["ink-outside-its-box"] = new(Of("<path id='bell' d='M10 10L34 30'/>", ("bell", "Ship icon crop:16x16")),
            "Part of “bell” on Drawing lies outside its box of 16x16 and is cut off."),
        ["picture-under-its-scale"] = new(Of($"<image id='sky' width='40' height='30' preserveAspectRatio='none' href='data:image/gif;base64,{Gif}'/>", ("sky", "Ship photo")),
            "“sky” on Drawing is asked for at 3x, but its picture has only 1.5x."),
        ["drawn-on-half-points"] = new(Of("<rect id='bell' x='10.5' y='10' width='20' height='20'/>", ("bell", "Ship icon")),
            "“bell” on Drawing begins and ends on half points, so its straight edges blur at 1x; move it by half a point in the drawing."),
        ["icons-with-different-boxes"] = new(Of("<path id='bell' d='M0 0L24 24L9 24'/><path id='moon' d='M40 0L64 24L44 9'/><path id='star' d='M80 0L100 20L91 20'/>",
            ("bell", "Ship icon to:icons"), ("moon", "Ship icon to:icons"), ("star", "Ship icon to:icons")),
            "“star” on Drawing comes out as 20 × 20, one of 2 sizes among the 3 icons in icons/."),
        ["missing-states-of-a-button"] = new(Of("<g id='book'><rect id='normal' width='99' height='40'/><rect id='pressed' width='99' height='40' display='none'/></g>",
            ("normal", "Ship button"), ("pressed", "Ship button")),
            "The button book is drawn as normal, pressed; disabled is missing."),
        ["text-as-a-picture"] = new(Of("<text id='title'>Tonight</text>", ("title", "Ship")),
            "“title” on Drawing is text and ships as a picture; developers can set it in code."),
        ["font-not-available"] = new(Of("<text id='title' font-family='Larkrise Sans'>Tonight</text>", ("title", "Ship")),
            "“title” on Drawing has text in Larkrise Sans, which is not there; DejaVu Sans stands in for it."),
        ["font-face-made-up"] = new(Lettered(Of("<text id='title' font-family='Larkrise Serif' font-weight='bold'>Tonight</text>", ("title", "Ship"))),
            "“title” on Drawing asks for Larkrise Serif 700, which the project does not have; it is made up out of Larkrise Serif as it is there."),
        ["font-must-not-be-embedded"] = new(Lettered(Of("<text id='title' font-family='Larkrise Serif'>Tonight</text>", ("title", "Ship picture pdf"))),
            "“title” on Drawing has text in Larkrise Serif, which its maker does not allow to be embedded: in the PDF it is outlines."),
        ["other-than-merged"] = new(Of("<path id='bell' d='M0 0L9 9'/>") is var saved ? saved with { Measured = new(saved.Measured.Drawn, saved.Measured.Shapes) { Merged = 0.031 } } : null!,
            "“Design” was saved with a merged picture that shows 3.1% of its pixels otherwise than its layers do."),
        ["not-kept-from-the-drawing"] = new(Of("<text id='orbit'><textPath href='#p'>Round and round</textPath></text>", ("orbit", "Ship")),
            "“orbit” on Drawing: Text along a path is drawn otherwise than in a browser; let the exact engine draw it, or convert it to plain shapes."),
        ["photo-not-shipped"] = new(Of("<image id='sky' width='300' height='200'/>"),
            "“sky” on Drawing is an embedded photo that nobody ships."),
        ["reaches-nobody"] = new(Of($"<path id='moon' d='M10 10{Star}'/><rect id='divider' x='60' y='60' width='200' height='2'/>", ("moon", "Ship")),
            "On “Drawing” “divider” reaches nobody."),
        ["likely-picture-not-decided"] = new(Of("<g id='bell'><path d='M10 10L34 34L12 30'/></g>"),
            "“bell” on Drawing looks like an icon: 24 × 24, 1 shape."),
        ["same-drawing-under-two-names"] = new(Apart(Of($"<path id='moon' d='M10 10{Star}'/><path id='star' d='M60 40{Star}'/>", ("moon", "Ship"), ("star", "Ship"))),
            "“star” on Drawing is the same drawing as “moon” on Drawing and ships a second time."),
        ["one-of-several-drawn-otherwise"] = new(Of($"<path id='star' fill='#173a45' d='M10 10{Star}'/><path id='gold' fill='#e0a83c' d='M60 40{Star}'/>", ("star", "Ship"), ("gold", "Ship")) is var tabs
            ? tabs with { Marks = new Dictionary<int, Mark>(tabs.Marks) { [2] = tabs.Marks[2] with { ShipName = "star-2" } } } : null!,
            "“star-2” on Drawing is “star” on Drawing in other colours, and ships as a file of its own."),
        ["one-file-for-several-places"] = new(Of($"<path id='comet' d='M10 10{Star}'/><path id='comet copy' d='M60 40{Star}'/>", ("comet", "Ship"), ("comet copy", "Ship")),
            "“comet” on Drawing is one file for 2 places; there is none for “comet copy”."),
        ["twins"] = new(Of("<path id='bell' d='M0 0L9 9'/><path id='bell-dark' d='M20 20L50 9'/>", ("bell", "Ship icon"), ("bell-dark", "Ship icon")),
            "“bell-dark” on Drawing looks like the dark form of “bell” on Drawing."),
        ["text-needs-its-font"] = new(Of("<g id='logo'><path d='M0 0L9 9'/><text font-family='Larkrise Sans'>Larkrise</text></g>", ("logo", "Ship logo svg:text")),
            "The SVG of “logo” on Drawing keeps its texts, which look so only where Larkrise Sans is there."),
        ["not-as-a-vector"] = new(Of("<g id='bell'><mask id='m'/><rect mask='url(#m)' width='9' height='9'/></g>", ("bell", "Ship icon")),
            "“bell” on Drawing cannot be an Android vector, for it has a mask; it ships in densities instead."),
        ["many-shapes-in-one-vector"] = new(Of($"<g id='map'>{string.Concat(Enumerable.Range(1, 201).Select(i => $"<path d='M0 0L{i} 9'/>"))}</g>", ("map", "Ship icon")),
            "“map” on Drawing is made as Android vector and SVG of 201 shapes; beyond 200 a picture of pixels is smaller and drawn faster."),
        ["transparency-lost"] = new(Of("<rect id='card' rx='9' width='40' height='30'/>", ("card", "Ship picture -png jpeg")),
            "“card” on Drawing has edges that JPEG cannot show; they lie over white until a colour is named."),
        ["weight-over-budget"] = new(Of("<rect id='card' width='400' height='300'/>", ("card", "Ship picture")) with { Recipes = RecipeBook.Usual with { Budget = 100 } },
            "The pack weighs 534 kB, 534 kB over the project's budget of 100 B."),
        ["tags-in-the-drawing"] = new(Of("<path id='bell [icno]' d='M0 0L9 9'/>"),
            "“bell” on Drawing has tags in the drawing, “icno”, that do not hold: “icno” is not a tag. Did you mean “icon”?"),
        ["several-screens-on-one-board"] = new(Board.State(),
            "“Design” is one screen by now, but shows 2 backgrounds of phone size."),
        ["layers-on-no-screen"] = new(Board.Arrange(new ScreenEdits(Board.Drawn, Arrangement.None).Split(Board.Proposals[0].Screens)).State(),
            "1 layer lies on no screen of “Design”, “note” among them, and will not be met on a bench."),
        ["drawn-at-another-scale"] = new(Svg.Measure("<rect width='750' height='1334'/>", "viewBox='0 0 750 1334'").State(),
            "“Design” says that it is drawn at 1x, but its screens are 750 wide, as phones drawn at 2x are."),
        ["needless-outer-group"] = new(Of($"<g id='everything'><g id='top'><rect width='1000' height='100'/><path d='M9 9L40 40'/></g>{Nine}<g id='rest'><rect y='100' width='1000' height='900'/></g></g>"),
            "“everything” on Drawing is a group around everything there; it is stepped over and gives no folder."),
    };

    private static MeasuredDrawing Board => Svg.Measure(
        "<rect x='20' y='20' width='375' height='812'/><rect x='420' y='20' width='375' height='812'/><path id='note' d='M900 20L940 60'/>", "viewBox='0 0 1000 900'");

    public static TheoryData<string> Names => [.. Checks.All.Select(c => c.Id)];

    [Theory]
    [MemberData(nameof(Names))]
    public void A_check_says_what_where_and_why_and_its_fix_settles_it(string check)
    {
        var (design, sentence) = Examples[check];
        var finding = Findings(check, design).First();
        Assert.Equal(sentence, finding.Sentence);
        if (finding.Fix is { Place: null, Together: null } fix)
        {
            var fixedDesign = design with { Marks = new Dictionary<int, Mark>(design.Marks) { [finding.Layer.Ordinal] = fix.ApplyTo(design.Marks.GetValueOrDefault(finding.Layer.Ordinal, Mark.None)) } };
            Assert.DoesNotContain(Findings(check, fixedDesign), f => f.Layer == finding.Layer);
        }
    }

    [Fact]
    public void What_is_decided_and_named_well_gives_no_finding_at_all() => Assert.Empty(Plan(
        Of("<g id='bell'><path d='M10 10L34 34L10 34'/></g><text id='title' x='100'>Tonight</text>", ("bell", "Ship icon"), ("title", "Code")), null).Findings.Select(f => f.Sentence));

    [Theory]
    [InlineData("picture", "“bell” on Drawing has colours beyond sRGB; its files hold the nearest within it.", "p3")]
    [InlineData("picture svg", "“bell” on Drawing has colours beyond sRGB; its files hold the nearest within it.", null)]
    [InlineData("picture p3 svg", "“bell” on Drawing is asked for in Display P3, but SVG is made of the nearest colours in sRGB.", null)]
    [InlineData("picture p3", null, null)]
    public void Colours_beyond_srgb_are_told_where_a_file_loses_them(string tags, string? sentence, string? fix)
    {
        var finding = Plan(Of("<path id='bell' d='M0 0L9 9' style='fill:color(display-p3 1 0 0)'/><path id='star' d='M0 0L9 9' style='fill:color(display-p3 .5 .5 .5)'/>", ("bell", "Ship " + tags), ("star", "Ship picture")),
            null, exact: "chromium").Findings.SingleOrDefault(f => f.Check == "colours-beyond-srgb");
        Assert.Equal((sentence, fix), (finding?.Sentence, finding?.Fix?.Tags));
    }

    private static IEnumerable<Finding> Findings(string check, DesignState design) => Plan(design, Examples[check].Look, Examples[check].Question).Findings.Where(f => f.Check == check);

    private static Pack Plan(DesignState design, Func<Layer, Look>? look, Question? question = null, string? exact = null)
    {
        var layers = design.Layers.DistinctBy(l => design.Isolate(l).Key).ToDictionary(l => design.Isolate(l).Key);
        Look? Seen(Fingerprint key) => !layers.TryGetValue(key, out var layer) ? null : look?.Invoke(layer) ?? new(design.Measured.ShapeOf(layer), null);
        return new PackPlanner(new("e"), Seen, family => family == "Larkrise Sans" ? "DejaVu Sans" : null, new(_ => "", exact)) { Questions = question is null ? [] : [question] }.Plan([design], [new WebPlatform(), new AndroidPlatform()]);
    }

    private static DesignState Of(string inside, params (string Layer, string Says)[] said) => Svg.Measure(inside).State(said);

    private static DesignState Named(string name, DesignState design) => design with { Marks = design.Marks.ToDictionary(m => m.Key, m => m.Value with { ShipName = name }) };

    // In a project that has the regular letters of a font.
    private static DesignState Lettered(DesignState design) => design with
    {
        Measured = new(design.Measured.Drawn.With(FontBook.Of([new() { Sha256 = "f", FileName = "larkrise.ttf", Names = ["Larkrise Serif"], Embedding = FontEmbedding.Not }])), design.Measured.Shapes),
    };

    // The second place of a drawing stands apart from the first.
    private static DesignState Apart(DesignState design) => design with { Marks = design.Marks.ToDictionary(m => m.Key, m => m.Value with { Apart = m.Key == 2 }) };
}
