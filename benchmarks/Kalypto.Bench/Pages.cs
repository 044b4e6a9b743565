using System.Collections.Immutable;
using System.Globalization;
using Kalypto.Core.Designs;
using Kalypto.Core.Pages;
using Kalypto.Core.Styling;

namespace Kalypto.Bench;

/// <summary>A screen of 400 layers as a page, and how that grows.</summary>
internal static class Pages
{
    public static void Run()
    {
        var (small, large) = (Screen(400), Screen(5_000));
        var (page, _) = Report.Medians(9, () => PageWriter.Write(small, NoNames.One, []), () => { });
        var (long_, _) = Report.Medians(5, () => PageWriter.Write(large, NoNames.One, []), () => { });
        Report.Line("a page of 400 layers written, ms", Report.Text(page * 1000), "< 200", page < 0.2);
        var growth = long_ / page / (5_000.0 / 400);
        Report.Line("of 5,000 against 400, for each layer", Report.Text(growth), "< 2", growth < 2);
    }

    // Cards of an icon, two texts and a box, three beside one another, as a long page has them.
    private static PageScreen Screen(int count)
    {
        var parts = ImmutableArray.CreateBuilder<PagePart>();
        for (var i = 0; parts.Count < count; i++)
        {
            var (x, y) = (120 + i % 3 * 408, 100 + i / 3 * 140);
            var at = parts.Count;
            ImmutableArray<int> group = [1_000_000 + i];
            parts.Add(new(at, PartKind.Box, "", new(x, y, 384, 116)) { Values = new(new Box(x, y, 384, 116)) { Fill = new SolidFill(new(255, 250, 240, 1)), Radii = Radii.All(12) }, Groups = group });
            parts.Add(new(at + 1, PartKind.Picture, "icon", new(x + 16, y + 46, 24, 24)) { Picture = new("images/icon.svg", 24, 24, "Icon"), Groups = group });
            parts.Add(Words(at + 2, x + 60, y + 50, string.Create(CultureInfo.InvariantCulture, $"Evening {i}"), 18, group));
            parts.Add(Words(at + 3, x + 60, y + 80, "Every clear Thursday", 14, group));
        }
        return new("Evenings", 1440, 200 + count / 12 * 140, parts.ToImmutable(), parts.SelectMany(p => p.Groups).Distinct().ToDictionary(g => g, g => new PageGroup(g, "evening", Core.Tagging.Tags.Empty)));
    }

    private static PagePart Words(int layer, double x, double baseline, string words, double size, ImmutableArray<int> groups)
    {
        var box = new Box(x, baseline - size, words.Length * size / 2, size * 1.25);
        var line = new TextLine(x, baseline, [new(words, new("Inter", size > 16 ? 600 : 400, false, size, null, 0, "none"), new SolidFill(new(20, 20, 20, 1)))]) { Measure = new(box.Width, size, size / 4) };
        return new(layer, PartKind.Words, "", box) { Values = new(box) { Text = new([line], "start") }, Groups = groups };
    }
}
