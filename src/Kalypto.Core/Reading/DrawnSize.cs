using Kalypto.Core.Designs;
using Kalypto.Core.Shapes;

namespace Kalypto.Core.Reading;

/// <summary>How large a drawing is that does not say it, or says it in shares of a page: as far as its shapes, pictures and words reach from its corner.</summary>
internal static class DrawnSize
{
    // A letter is about half as wide as the font is large; CSS's medium font has 16 px (CSS Fonts 4, 2.5).
    private const double WidthOfALetter = 0.55;
    private const double UsualFont = 16;
    private const double Rounding = 1e-6;

    /// <summary>How far what is painted reaches to the right and down, in drawing units, up to whole ones; null where nothing says it.</summary>
    public static (double Right, double Bottom)? Of(ElementBuilder root)
    {
        var (right, bottom) = (0.0, 0.0);
        var open = new Stack<(ElementBuilder Element, Matrix Around)>([(root, Matrix.Identity)]);
        while (open.TryPop(out var at))
        {
            if (SvgNames.Definitions.Contains(at.Element.Name) || at.Element.Style("display") == "none")
            {
                continue;
            }
            var placed = at.Around * (Matrix.Parse(at.Element.Style("transform")) ?? Matrix.Identity);
            if (BoxOf(at.Element) is { } own)
            {
                var box = placed.BoundsOf(own);
                (right, bottom) = (Math.Max(right, box.Right), Math.Max(bottom, box.Bottom));
            }
            // A box of its own cuts what is in it.
            if (at.Element.Name != "svg" || at.Element == root)
            {
                foreach (var child in at.Element.Elements)
                {
                    open.Push((child, placed));
                }
            }
        }
        return right > 0 && bottom > 0 && double.IsFinite(right + bottom) ? (Math.Ceiling(right - Rounding), Math.Ceiling(bottom - Rounding)) : null;
    }

    private static Box? BoxOf(ElementBuilder element) => element.Name switch
    {
        "image" or "svg" => Side(element, "width") is { } width && Side(element, "height") is { } height ? new(Side(element, "x") ?? 0, Side(element, "y") ?? 0, width, height) : null,
        "text" => Words(element),
        _ => ShapeOutline.Of(element.Name, element.Attributes.Select(a => KeyValuePair.Create(a.Name, a.Value))) is { } outline && PathBounds.Of(outline) is { } box
            ? box.Inflate(element.Style("stroke") is null or "none" ? 0 : (Numbers.Length(element.Style("stroke-width")) ?? 1) / 2) : null,
    };

    private static Box Words(ElementBuilder text)
    {
        var size = Numbers.Length(text.Style("font-size")) ?? UsualFont;
        var letters = text.SelfAndDescendants().SelectMany(e => e.Children.OfType<string>()).Sum(t => t.Trim().Length);
        return new(Side(text, "x") ?? 0, (Side(text, "y") ?? 0) - size, letters * WidthOfALetter * size, size);
    }

    private static double? Side(ElementBuilder element, string name) => Numbers.Length(element.Style(name));
}
