using System.Xml;

namespace Kalypto.Core.Reading;

/// <summary>Pages inside a drawing, of which only the exact engine knows what they show.</summary>
internal static class ForeignContent
{
    /// <summary>The attribute of a foreign object that shows a photo.</summary>
    public const string Photo = "data-photo";

    // Smaller ones are dots, gradients and the like that stand for no photo.
    private const int LeastPhoto = 2_000;

    /// <summary>True when an embedded picture is shown in it, as a background or by itself. The reader, which stands at it, stands behind it then.</summary>
    public static bool ShowsPhoto(XmlReader reader)
    {
        var (depth, found) = (reader.Depth, false);
        if (!reader.IsEmptyElement)
        {
            while (reader.Read() && reader.Depth > depth)
            {
                if (reader.NodeType is XmlNodeType.Text or XmlNodeType.CDATA)
                {
                    found |= Holds(reader.Value);
                }
                for (var more = reader.NodeType == XmlNodeType.Element && reader.MoveToFirstAttribute(); more; more = reader.MoveToNextAttribute())
                {
                    found |= reader.LocalName is "src" or "href" or "style" && Holds(reader.Value);
                }
                reader.MoveToElement();
            }
        }
        reader.Read();
        return found;
    }

    private static bool Holds(string text) => text.Length > LeastPhoto
        && (text.Contains("data:image/jpeg", StringComparison.OrdinalIgnoreCase) || text.Contains("data:image/png", StringComparison.OrdinalIgnoreCase)
            || text.Contains("data:image/webp", StringComparison.OrdinalIgnoreCase) || text.Contains("data:image/avif", StringComparison.OrdinalIgnoreCase));
}
