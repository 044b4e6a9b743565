namespace Kalypto.Core.Designs;

/// <summary>The font that some text of a layer asks for.</summary>
/// <param name="Families">The list of families as it is written; empty for none.</param>
/// <param name="Weight">From 1 to 1000.</param>
/// <param name="IsItalic">True for italic or oblique.</param>
public readonly record struct AskedFont(string Families, int Weight, bool IsItalic)
{
    /// <summary>What the texts in a layer ask for, each once.</summary>
    public static IEnumerable<AskedFont> Of(Layer layer) => Texts(layer.Element, ComputedStyle.Around(layer)).Select(s => new AskedFont(s.Families, s.Weight, s.IsItalic)).Distinct();

    private static IEnumerable<ComputedStyle> Texts(Element root, ComputedStyle around)
    {
        var open = new Stack<(Element Element, ComputedStyle Around, bool IsText)>([(root, around, false)]);
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
}
