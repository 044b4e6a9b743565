using System.Runtime.CompilerServices;
using System.Text;
using Kalypto.Core.Designs;
using Kalypto.Core.Isolating;

namespace Kalypto.Core.Exporting;

/// <summary>How long the SVG of a layer is, to guess the weight of its files before they are made.</summary>
public static class SvgLength
{
    // A layer of a drawing never changes.
    private static readonly ConditionalWeakTable<Layer, StrongBox<(long, int)>> Known = [];

    /// <summary>The length in bytes with its texts as texts, and how many letters they have.</summary>
    /// <param name="layer">The layer.</param>
    /// <param name="isolation">The layer alone.</param>
    /// <param name="crop">What is shown of it, in drawing units.</param>
    public static (long Bytes, int Letters) Of(Layer layer, Isolation isolation, Box crop) => Known.GetValue(layer, _ => new(Find(layer, isolation, crop))).Value;

    private static (long, int) Find(Layer layer, Isolation isolation, Box crop) => (Encoding.UTF8.GetByteCount(SvgExport.Of(isolation, crop, crop.Width, crop.Height)),
        layer.Element.SelfAndDescendants().SelectMany(e => e.Children).OfType<TextNode>().Sum(t => t.Text.Count(char.IsLetterOrDigit)));
}
