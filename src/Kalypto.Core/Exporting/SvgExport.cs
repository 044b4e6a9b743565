using System.Collections.Immutable;
using System.Text;
using Kalypto.Core.Designs;
using Kalypto.Core.Exporting.SvgRules;
using Kalypto.Core.Isolating;

namespace Kalypto.Core.Exporting;

/// <summary>
/// Writes a layer as an SVG file of its own: with just the definitions it refers to, in the fewest characters that show the
/// same picture at 4x.
/// </summary>
public static class SvgExport
{
    /// <summary>The name and version of this writer; part of every content key.</summary>
    public const string Version = "svg 8";

    // A quarter of a pixel at 4x is a sixteenth of a point; a hundredth of that is seen by nobody.
    private const int Decimals = 3;

    // Each rule leaves less for the next. A new rule is one file and one line here.
    private static readonly ImmutableArray<ISvgRule> Rules =
    [
        new StylesAsAttributes(), new PlainRoot(), new NoLeftovers(), new ShortColours(), new NoDefaults(), new ShapesAsPaths(), new FewerGroups(), new FromTheOrigin(),
        new TransformsIntoPaths(), new FewerGroups(), new TransformsIntoPaths(), new SharedAttributes(), new NoDefaults(), new FewerGroups(), new NoLeftovers(), new ShortNumbers(), new ShortIds(),
    ];

    /// <summary>Writes a layer.</summary>
    /// <param name="isolation">The layer.</param>
    /// <param name="crop">The rectangle to show, in drawing units.</param>
    /// <param name="width">The width in pt.</param>
    /// <param name="height">The height in pt.</param>
    /// <param name="look">How it is written.</param>
    public static string Of(Isolation isolation, Box crop, double width, double height, ShapesLook? look = null) => Of(ExportTree.Of(isolation), crop, width, height, look);

    /// <summary>Writes a layer of which some was changed on its way out.</summary>
    /// <param name="tree">The layer; it is used up.</param>
    /// <param name="crop">The rectangle to show, in drawing units.</param>
    /// <param name="width">The width in pt.</param>
    /// <param name="height">The height in pt.</param>
    /// <param name="look">How it is written.</param>
    public static string Of(ExportTree tree, Box crop, double width, double height, ShapesLook? look = null)
    {
        look ??= ShapesLook.Plain;
        var root = new ExportNode("svg");
        root["width"] = Numbers.Text(width, 3);
        root["height"] = Numbers.Text(height, 3);
        root["viewBox"] = $"{Numbers.Text(crop.X, 3)} {Numbers.Text(crop.Y, 3)} {Numbers.Text(crop.Width, 3)} {Numbers.Text(crop.Height, 3)}";
        root.With(new ExportNode("defs").With(tree.Definitions));
        if (look.Ground is { } ground)
        {
            var rect = new ExportNode("path") { ["fill"] = ground, ["d"] = $"M{Numbers.Text(crop.X, 3)} {Numbers.Text(crop.Y, 3)}h{Numbers.Text(crop.Width, 3)}v{Numbers.Text(crop.Height, 3)}h{Numbers.Text(-crop.Width, 3)}z" };
            root.With(rect);
        }
        root.With(tree.Drawn);
        var decimals = Math.Clamp(Decimals - (int)Math.Floor(Math.Log10(Math.Max(crop.Width / Math.Max(width, 1e-6), 1e-3))), 2, 5);
        foreach (var rule in Rules)
        {
            rule.Apply(root, decimals);
        }
        if (look.TakesColour)
        {
            OneColour.Take(root);
        }
        var text = new StringBuilder("<svg xmlns=\"http://www.w3.org/2000/svg\"");
        ExportWriter.WriteInside(text, root, look.Credit.IsEmpty ? null : look.Credit);
        return text.ToString();
    }
}
