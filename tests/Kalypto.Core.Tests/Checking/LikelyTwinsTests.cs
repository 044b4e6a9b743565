using Kalypto.Core.Checking;
using Kalypto.Core.Deciding;
using Kalypto.Core.Planning;
using Kalypto.Core.Platforms;
using Kalypto.Core.Tagging;

namespace Kalypto.Core.Tests.Checking;

/// <summary>Forms of pictures that are found by how things are drawn, and that what is offered settles it.</summary>
public class LikelyTwinsTests
{
    private const string Bell = "<path id='bell' fill='#173a45' d='M10 10L22 14L19 23z'/>";
    private const string Moon = "<path id='moon' fill='#173a45' d='M40 30L49 39L37 40z'/>";
    private const string Map = "<path id='map' fill='#173a45' d='M60 50L70 53L61 62z'/>";
    private const string Page = "<rect id='ground' width='100' height='100' fill='#ffffff'/>";

    private static DesignState Screen(int id, string name, string inside) => Svg.Measure($"<svg id='{name}' width='100' height='100'>{inside}</svg>", "viewBox='0 0 100 100'") is var measured
        ? new(id, name, 1, measured, measured.Drawing.Layers.Where(l => l.Element.Name == "path").ToDictionary(l => l.Ordinal, _ => new Mark(Decision.Ship, null, Tags.Parse("icon")))) : null!;

    private static Pack Plan(params DesignState[] designs) => new PackPlanner(new("engine"), _ => null).Plan(designs, [AllPlatforms.List.First(p => p.Id == "web")]);

    private static List<Finding> Forms(Pack pack) => [.. pack.Findings.Where(f => f.Check == "twins")];

    // The project once everything that was offered is accepted.
    private static Pack Accepted(Pack pack, params DesignState[] designs) => Plan([.. designs.Select(d => d with
    {
        Marks = d.Layers.Select(l => (l.Ordinal, Mark: Forms(pack).Where(f => f.Layer == new Core.Designs.LayerRef(d.Id, l.Ordinal)).Aggregate(d.MarkOf(l), (m, f) => f.Fix!.ApplyTo(m))))
            .Where(m => m.Mark != Mark.None).ToDictionary(m => m.Ordinal, m => m.Mark),
    })]);

    [Fact]
    public void The_same_shapes_in_light_ink_are_offered_as_the_dark_form_and_lie_there_once_accepted()
    {
        var design = Screen(1, "Tonight", Bell + Bell.Replace("'bell'", "'bell-light'", StringComparison.Ordinal).Replace("#173a45", "#f4f1e6", StringComparison.Ordinal).Replace("M10 10L22 14L19 23z", "M60 10L72 14L69 23z", StringComparison.Ordinal));
        var before = Plan(design);
        Assert.Equal(["“bell-light” on Tonight looks like the dark form of “bell” on Tonight."], Forms(before).Select(f => f.Sentence));
        var after = Accepted(before, design);
        Assert.Empty(Forms(after));
        Assert.Contains("web/bell-dark.svg", after.Files.Select(f => f.Path));
    }

    [Theory]
    // Other colours that are as light, other shapes, another name: nothing to say.
    [InlineData("bell-red", "#45173a", "L72 14L69 23z")]
    [InlineData("bell-light", "#f4f1e6", "L72 14L69 21z")]
    [InlineData("star", "#f4f1e6", "L72 14L69 23z")]
    public void What_only_resembles_is_not_offered(string name, string fill, string shape) =>
        Assert.Empty(Forms(Plan(Screen(1, "Tonight", Bell + $"<path id='{name}' fill='{fill}' d='M60 10{shape}'/>"))));

    [Theory]
    [InlineData("Tonight", "#ffffff", null)]
    [InlineData("Abend", "#101820", "dark")]
    [InlineData("Tonight de", "#ffffff", "de")]
    public void A_screen_that_shows_the_same_pictures_is_offered_as_a_whole(string name, string ground, string? form)
    {
        var light = Screen(1, "Tonight", Page + Bell + Moon + Map);
        var other = Screen(2, name, (Page + Bell + Moon).Replace("#ffffff", ground, StringComparison.Ordinal).Replace("#173a45", "#7fb0c0", StringComparison.Ordinal));
        var pack = Plan(light, other);
        Assert.Equal(form is null ? [] : [$"The screen {name} looks like the {form} form of Tonight: 2 of its 2 pictures are there too."],
            Forms(pack).Select(f => f.Sentence).Where(s => s.StartsWith("The screen", StringComparison.Ordinal)));
        if (form is not null)
        {
            Assert.NotEmpty(pack.Blockers);
            var after = Accepted(pack, light, other);
            Assert.Empty(after.Blockers);
            Assert.Contains($"web/moon-{form}.svg", after.Files.Select(f => f.Path));
        }
    }

    [Fact]
    public void A_screen_with_the_same_pictures_on_the_other_side_is_offered_as_the_mirrored_one()
    {
        // A path that begins on the other side and runs the other way.
        var there = Bell.Replace("M10 10L22 14L19 23z", "M90 10L78 14L81 23z", StringComparison.Ordinal) + Moon.Replace("M40 30L49 39L37 40z", "M60 30L51 39L63 40z", StringComparison.Ordinal);
        Assert.Equal("twin:rtl", Forms(Plan(Screen(1, "Tonight", Page + Bell + Moon), Screen(2, "Souk", Page + there))).Single().Fix!.Tags);
    }
}
