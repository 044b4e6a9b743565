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

    /// <summary>A board of 5,000 layers: six apps beside each other.</summary>
    public static string Large()
    {
        var app = new LabelledDrawings(LabelledDrawings.Styles.First(s => s.Wrap > 1)).Svg;
        var (from, to) = (app.IndexOf('>', StringComparison.Ordinal) + 1, app.LastIndexOf("</svg>", StringComparison.Ordinal));
        return $"<svg xmlns='http://www.w3.org/2000/svg' viewBox='0 0 24000 4000'>{string.Concat(Enumerable.Range(0, 6).Select(i => $"<g transform='translate({i * 4000} 0)'>{app[from..to]}</g>"))}</svg>";
    }

    private static string Board(int seed)
    {
        var drawings = Enumerable.Range(seed, OnABoard).Select(s => new AnyDrawing(s).Inside()).ToList();
        var style = drawings[0].IndexOf("</style>", StringComparison.Ordinal) + 8;
        return $"<svg xmlns='http://www.w3.org/2000/svg' viewBox='0 0 400 300'>{drawings[0][..style]}{string.Concat(drawings.Select((d, i) =>
            $"<g transform='translate({i % 6 * 60} {i / 6 * 60})'>{d[style..].Replace("id='x'", $"id='figure-{(char)('a' + i)}'", StringComparison.Ordinal)}</g>"))}</svg>";
    }
}
