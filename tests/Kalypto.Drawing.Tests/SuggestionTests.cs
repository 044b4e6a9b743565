using System.Text;
using Kalypto.Core.Deciding;
using Kalypto.Core.Designs;
using Kalypto.Core.Reading;
using Kalypto.Core.Suggesting;
using Kalypto.Drafts;

namespace Kalypto.Drawing.Tests;

/// <summary>What Kalypto takes for a picture, against what a designer would ship, on drawings made in different ways.</summary>
public sealed class SuggestionTests(RendererFixture fixture)
{
    private const double Recall = 0.95;
    private const double Precision = 0.9;
    private readonly CancellationToken cancel = TestContext.Current.CancellationToken;

    public static TheoryData<string> Names => [.. LabelledDrawings.Styles.Select(s => s.Name)];

    [Theory]
    [MemberData(nameof(Names))]
    public async Task Nearly_all_that_would_ship_is_found_and_little_else(string name)
    {
        var labelled = new LabelledDrawings(LabelledDrawings.Styles.Single(s => s.Name == name));
        var measured = await MeasureAsync(Encoding.UTF8.GetBytes(labelled.Svg));
        Assert.True(measured.Drawing.Layers.Length >= 400, $"{measured.Drawing.Layers.Length} layers");
        Judge(measured, labelled.Shipped);
    }

    public static TheoryData<string, ExportedScreens.Writing> Exported => [.. ExportedScreens.All];

    [Theory]
    [MemberData(nameof(Exported))]
    public async Task So_it_is_in_what_drawing_programs_write(string layout, ExportedScreens.Writing writing)
    {
        var labelled = new ExportedScreens(layout, writing);
        Judge(await MeasureAsync(Encoding.UTF8.GetBytes(labelled.Svg)), labelled.Shipped);
    }

    [Fact]
    public async Task On_the_demo_too()
    {
        string[] ships =
        [
            "signal", "battery", "bell", "moon-phase", "Group 41", "Group 42", "Group 43", "Group 58", "cloud-night", "saturn", "telescope",
            "Path 4 copy", "Path 4 copy 2", "book-button", "tab-moon", "tab-ticket", "tab-telescope", "tab-person",
        ];
        var folder = Path.Combine(AppContext.BaseDirectory, "demo");
        var measured = await MeasureAsync(await File.ReadAllBytesAsync(Path.Combine(folder, "visitor-app.svg"), cancel));
        var design = new DesignState(1, "demo", 1, measured, new Dictionary<int, Mark>());
        var screen = measured.Drawing.Screens[0];
        var wanted = measured.LayersOf(screen).Where(l => ships.Contains(l.Name) && !l.Ancestors().Any(a => ships.Contains(a.Name))).ToHashSet();
        var found = design.Suggested().Select(s => s.Layer).Where(l => measured.ScreenOf(l) == screen).ToList();
        var told = $"missed {string.Join(", ", wanted.Except(found).Select(l => l.Name))}; wrong {string.Join(", ", found.Except(wanted).Select(l => l.Name))}";
        Assert.True(wanted.Except(found).Count() <= (1 - Recall) * wanted.Count, told);
        Assert.True(found.Except(wanted).Count() <= (1 - Precision) * found.Count, told);
    }

    [Fact]
    public async Task A_refused_suggestion_stays_refused_and_what_lies_in_it_is_looked_at_instead()
    {
        var measured = await MeasureAsync("""
            <svg xmlns='http://www.w3.org/2000/svg' viewBox='0 0 375 812'><g id='pair'><path id='one' d='M20 20c4 0 20 9 20 20z'/><path id='two' d='M30 24c4 0 20 9 20 20z'/></g></svg>
            """u8.ToArray());
        DesignState With(params int[] dismissed) => new(1, "Design", 1, measured, dismissed.ToDictionary(d => d, _ => Mark.None with { Dismissed = true }));
        Assert.Equal(["pair"], With().Suggested().Select(s => s.Layer.Name));
        var pair = measured.Drawing.Layers.Single(l => l.Name == "pair").Ordinal;
        Assert.DoesNotContain(With(pair).Suggested(), s => s.Layer.Ordinal == pair);
    }

    private async Task<MeasuredDrawing> MeasureAsync(byte[] file)
    {
        var drawing = SvgReader.Read(file, "Drawing");
        return new(drawing, await fixture.Renderer.MeasureAsync(drawing, null, cancel));
    }

    private static void Judge(MeasuredDrawing measured, IReadOnlyCollection<Box> shipped)
    {
        var found = new DesignState(1, "Drawing", 1, measured, new Dictionary<int, Mark>()).Suggested().Select(s => (s.Sentence, Box: BoxOf(measured, s))).ToList();
        var missed = shipped.Where(box => !found.Any(f => Same(f.Box, box))).ToList();
        var wrong = found.Where(f => !shipped.Any(box => Same(f.Box, box))).ToList();
        var told = $"of {shipped.Count} missed {missed.Count}: {string.Join("; ", missed.Take(6))}\nof {found.Count} wrong {wrong.Count}: {string.Join("; ", wrong.Take(6))}";
        Assert.True(missed.Count <= (1 - Recall) * shipped.Count, told);
        Assert.True(wrong.Count <= (1 - Precision) * found.Count, told);
    }

    private static Box BoxOf(MeasuredDrawing measured, Suggestion suggestion) =>
        (suggestion.Together.IsEmpty ? [suggestion.Layer] : suggestion.Together.AsEnumerable()).Select(l => measured.ShapeOf(l)).OfType<Box>().Aggregate((a, b) => a.Union(b));

    // Ink does not fill the grid that an icon is drawn on.
    private static bool Same(Box found, Box label)
    {
        var common = found.Intersect(label);
        return common.Width * common.Height >= 0.7 * found.Width * found.Height && common.Width * common.Height >= 0.3 * label.Width * label.Height;
    }
}
