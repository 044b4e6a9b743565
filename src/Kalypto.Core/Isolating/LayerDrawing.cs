using Kalypto.Core.Designs;

namespace Kalypto.Core.Isolating;

/// <summary>A layer as a drawing for another project: one layer with a name, and round it just its crop.</summary>
public static class LayerDrawing
{
    /// <summary>The ordinal of the layer when the drawing is read.</summary>
    public const int Ordinal = 1;

    /// <summary>Writes it as SVG, as it was drawn: nothing is made shorter or simpler.</summary>
    /// <param name="isolation">The layer.</param>
    /// <param name="name">What it is called.</param>
    /// <param name="crop">The rectangle to show, in drawing units.</param>
    public static string Of(Isolation isolation, string name, Box crop)
    {
        var (definitions, drawn) = isolation.ToElements();
        var text = new SvgWriter();
        text.OpenRoot(crop, crop.Width, crop.Height);
        text.Raw("<defs>");
        foreach (var definition in definitions)
        {
            text.Whole(definition);
        }
        text.Raw("</defs>").Open(new("g", [new("aria-label", name)], []));
        text.Whole(drawn);
        return text.Raw("</g></svg>\n").ToString();
    }
}
