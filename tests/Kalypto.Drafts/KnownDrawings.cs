using System.Xml.Linq;

namespace Kalypto.Drafts;

/// <summary>Drawings to make drafts of: the demo, app screens as different people draw them, and boards made by chance.</summary>
public static class KnownDrawings
{
    private const int OnABoard = 24;

    public static IEnumerable<(string Name, string Svg)> All(string demo) =>
    [
        .. new[] { "visitor-app", "website" }.Select(name => (name, File.ReadAllText(Path.Combine(demo, $"{name}.svg")))),
        .. LabelledDrawings.Styles.Select(style => (style.Name, new LabelledDrawings(style).Svg)),
        .. new[] { 1, 2 }.Select(seed => ($"by chance {seed}", Board(seed * 1000))),
    ];

    /// <summary>A board of 5,000 layers: six apps beside each other; with more of them below it is as many times larger.</summary>
    public static string Large(int times = 1)
    {
        var app = new LabelledDrawings(LabelledDrawings.Styles.First(s => s.Wrap > 1)).Svg;
        var (from, to) = (app.IndexOf('>', StringComparison.Ordinal) + 1, app.LastIndexOf("</svg>", StringComparison.Ordinal));
        return $"<svg xmlns='http://www.w3.org/2000/svg' viewBox='0 0 24000 {4000 * times}'>{string.Concat(Enumerable.Range(0, 6 * times).Select(i => $"<g transform='translate({i % 6 * 4000} {i / 6 * 4000})'>{app[from..to]}</g>"))}</svg>";
    }

    /// <summary>Drawings of 2 to 50 layers: parts of the others, each a drawing of its own.</summary>
    public static IEnumerable<(string Name, string Svg)> Small(string demo, int seed)
    {
        var random = new Random(seed);
        foreach (var (name, svg) in All(demo))
        {
            var root = XDocument.Parse(svg).Root!;
            var parts = root.Descendants().Where(e => e.Name.LocalName == "g" && e.Ancestors().All(a => a.Name.LocalName is "g" or "svg") && e.DescendantsAndSelf().Count(IsLayer) is >= 2 and <= 50).ToList();
            if (parts.Count == 0)
            {
                continue;
            }
            var part = parts[random.Next(parts.Count)];
            var kept = root.Elements().Where(e => e.Name.LocalName is "defs" or "style");
            yield return ($"part of {name}", new XElement(root.Name, root.Attributes(), kept, part).ToString(SaveOptions.DisableFormatting));
        }
    }

    private static bool IsLayer(XElement element) => element.Name.LocalName is "g" or "path" or "rect" or "circle" or "ellipse" or "line" or "polyline" or "polygon" or "text" or "image" or "use";

    private static string Board(int seed)
    {
        var drawings = Enumerable.Range(seed, OnABoard).Select(s => new AnyDrawing(s).Inside()).ToList();
        var style = drawings[0].IndexOf("</style>", StringComparison.Ordinal) + 8;
        return $"<svg xmlns='http://www.w3.org/2000/svg' viewBox='0 0 400 300'>{drawings[0][..style]}{string.Concat(drawings.Select((d, i) =>
            $"<g transform='translate({i % 6 * 60} {i / 6 * 60})'>{d[style..].Replace("id='x'", $"id='figure-{(char)('a' + i)}'", StringComparison.Ordinal)}</g>"))}</svg>";
    }
}
