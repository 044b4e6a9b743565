using System.Globalization;

namespace Kalypto.Core.Designs;

/// <summary>The font that some text of a layer asks for.</summary>
/// <param name="Families">The list of families as it is written; empty for none.</param>
/// <param name="Weight">From 1 to 1000.</param>
/// <param name="IsItalic">True for italic or oblique.</param>
public readonly record struct AskedFont(string Families, int Weight, bool IsItalic)
{
    private const int Normal = 400;
    private const int Bold = 700;

    /// <summary>What the texts in a layer ask for, each once.</summary>
    public static IEnumerable<AskedFont> Of(Layer layer)
    {
        var around = layer.DrawnAncestors().Reverse().Aggregate(new AskedFont("", Normal, false), (above, l) => above.In(l.Element));
        return Texts(layer.Element, around).Distinct();
    }

    private static IEnumerable<AskedFont> Texts(Element root, AskedFont around)
    {
        var open = new Stack<(Element Element, AskedFont Around, bool IsText)>([(root, around, false)]);
        while (open.TryPop(out var at))
        {
            var own = at.Around.In(at.Element);
            var isText = at.IsText || at.Element.Name == "text";
            if (isText && at.Element.Children.OfType<TextNode>().Any(t => !string.IsNullOrWhiteSpace(t.Text)))
            {
                yield return own;
            }
            foreach (var child in at.Element.Elements)
            {
                open.Push((child, own, isText));
            }
        }
    }

    // What an element says of its own, over what is handed down.
    private AskedFont In(Element element) => new(
        element.Style("font-family") is { } families and not "inherit" ? families : Families,
        element.Style("font-weight") switch
        {
            "normal" => Normal,
            "bold" => Bold,
            // CSS Fonts 4, section 2.2.1.
            "bolder" => Weight < 350 ? Normal : Weight < 550 ? Bold : Math.Max(Weight, 900),
            "lighter" => Weight < 550 ? Math.Min(Weight, 100) : Weight < 750 ? Normal : Bold,
            { } text when double.TryParse(text, NumberStyles.Float, CultureInfo.InvariantCulture, out var number) && number is >= 1 and <= 1000 => (int)number,
            _ => Weight,
        },
        element.Style("font-style") switch { "normal" => false, { } style when style.StartsWith("italic", StringComparison.Ordinal) || style.StartsWith("oblique", StringComparison.Ordinal) => true, _ => IsItalic });
}
