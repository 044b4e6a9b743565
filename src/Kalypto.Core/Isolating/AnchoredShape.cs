using Kalypto.Core.Designs;
using Kalypto.Core.Shapes;

namespace Kalypto.Core.Isolating;

/// <summary>
/// A line or path that counts from its own start. The renderer drags the origin into the box of one without area, such as a
/// line; when the origin is the start, that lies in the box anyway.
/// </summary>
internal static class AnchoredShape
{
    private static readonly string[] Geometry = ["d", "points", "x1", "y1", "x2", "y2", "transform"];

    /// <summary>The same shape, anchored; null for what is none, or is placed in a way that this does not know.</summary>
    public static Element? Of(Element element)
    {
        if (element.Name is not ("path" or "line" or "polyline" or "polygon") || element["transform-origin"] is not null
            || StyleText.Find(element["style"], "transform") is not null || StyleText.Find(element["style"], "d") is not null
            || ShapeOutline.Of(element.Name, element.Attributes.Select(a => KeyValuePair.Create(a.Name, a.Value))) is not [{ Command: 'M', Values: [var x, var y] }, ..] outline)
        {
            return null;
        }
        var moved = PathText.Of(PathTransform.Apply(outline, new(1, 0, 0, 1, -x, -y)));
        return new("path",
            [.. element.Attributes.Where(a => !Geometry.Contains(a.Name)), new("d", moved), new("transform", $"{element["transform"]} translate({Numbers.Text(x)} {Numbers.Text(y)})".Trim())],
            element.Children);
    }
}
