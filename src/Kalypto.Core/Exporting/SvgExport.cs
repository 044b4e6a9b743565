using System.Collections.Immutable;
using System.Text;
using Kalypto.Core.Designs;
using Kalypto.Core.Exporting.SvgRules;
using Kalypto.Core.Formats;
using Kalypto.Core.Isolating;

namespace Kalypto.Core.Exporting;

/// <summary>
/// Writes a layer as an SVG file of its own: with just the definitions it refers to, in the fewest characters that show the
/// same picture at 4x.
/// </summary>
public static class SvgExport
{
    /// <summary>The name and version of this writer; part of every content key.</summary>
    public const string Version = "svg 3";

    // A quarter of a pixel at 4x is a sixteenth of a point; a hundredth of that is seen by nobody.
    private const int Decimals = 3;

    // Each rule leaves less for the next. A new rule is one file and one line here.
    private static readonly ImmutableArray<ISvgRule> Rules =
    [
        new StylesAsAttributes(), new PlainRoot(), new NoLeftovers(), new ShortColours(), new NoDefaults(), new ShapesAsPaths(), new FewerGroups(),
        new TransformsIntoPaths(), new FewerGroups(), new SharedAttributes(), new NoDefaults(), new FewerGroups(), new NoLeftovers(), new ShortNumbers(), new ShortIds(),
    ];

    /// <summary>Writes a layer.</summary>
    /// <param name="isolation">The layer.</param>
    /// <param name="crop">The rectangle to show, in drawing units.</param>
    /// <param name="width">The width in pt.</param>
    /// <param name="height">The height in pt.</param>
    /// <param name="ground">A colour under it, <c>#rrggbb</c>; null for none.</param>
    /// <param name="credit">Lines to carry, or null.</param>
    /// <param name="links">The files that stand for <see cref="Isolation.Pictures"/>, in their order; empty to embed them.</param>
    public static string Of(
        Isolation isolation, Box crop, double width, double height, string? ground = null, CreditLines? credit = null, IReadOnlyList<string>? links = null)
    {
        var (definitions, drawn) = isolation.ToElements();
        List<ExportNode> nodes = [.. definitions.Append(drawn).Select(ExportNode.Of)];
        if (links is { Count: > 0 })
        {
            var names = isolation.Pictures.Zip(links).ToDictionary(p => p.First.Href, p => p.Second);
            foreach (var image in nodes.SelectMany(n => n.SelfAndDescendants()).Where(n => n.Name == "image"))
            {
                image["href"] = image["href"] is { } href && names.TryGetValue(href, out var name) ? name : image["href"];
            }
        }
        return Of(nodes.SkipLast(1), nodes[^1], crop, width, height, ground, credit);
    }

    /// <summary>Writes a drawing as it is, such as one whose texts became outlines.</summary>
    /// <param name="drawing">The drawing.</param>
    /// <param name="width">The width in pt.</param>
    /// <param name="height">The height in pt.</param>
    /// <param name="credit">Lines to carry, or null.</param>
    public static string Of(DrawingTree drawing, double width, double height, CreditLines? credit = null) => Of(
        [], new ExportNode("g").With(drawing.Root.Elements.Select(ExportNode.Of)), drawing.Box, width, height, null, credit);

    private static string Of(IEnumerable<ExportNode> definitions, ExportNode drawn, Box crop, double width, double height, string? ground, CreditLines? credit)
    {
        var root = new ExportNode("svg");
        root["width"] = Numbers.Text(width, 3);
        root["height"] = Numbers.Text(height, 3);
        root["viewBox"] = $"{Numbers.Text(crop.X, 3)} {Numbers.Text(crop.Y, 3)} {Numbers.Text(crop.Width, 3)} {Numbers.Text(crop.Height, 3)}";
        root.With(new ExportNode("defs").With(definitions));
        if (ground is not null)
        {
            var rect = new ExportNode("path") { ["fill"] = ground, ["d"] = $"M{Numbers.Text(crop.X, 3)} {Numbers.Text(crop.Y, 3)}h{Numbers.Text(crop.Width, 3)}v{Numbers.Text(crop.Height, 3)}h{Numbers.Text(-crop.Width, 3)}z" };
            root.With(rect);
        }
        root.With(drawn);
        var decimals = Math.Clamp(Decimals - (int)Math.Floor(Math.Log10(Math.Max(crop.Width / Math.Max(width, 1e-6), 1e-3))), 2, 5);
        foreach (var rule in Rules)
        {
            rule.Apply(root, decimals);
        }
        var text = new StringBuilder("<svg xmlns=\"http://www.w3.org/2000/svg\"");
        ExportWriter.WriteInside(text, root, credit is null || credit.IsEmpty ? null : credit);
        return text.ToString();
    }
}
