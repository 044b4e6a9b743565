using System.Text;
using System.Xml;
using Kalypto.Core.Designs;

namespace Kalypto.Core.Exporting;

/// <summary>Puts SVG files together into one sprite: a symbol each, used as <c>&lt;use href="sprite.svg#bell"&gt;</c>. Ids inside are unique to their symbol.</summary>
public static class SvgSprite
{
    /// <summary>Writes the sprite.</summary>
    /// <param name="files">The name of each symbol and the SVG file that <see cref="SvgExport"/> wrote.</param>
    public static string Write(IEnumerable<(string Name, string Svg)> files)
    {
        var text = new StringBuilder("<svg xmlns=\"http://www.w3.org/2000/svg\">\n");
        var names = new HashSet<string>(StringComparer.Ordinal);
        foreach (var (name, svg) in files.Where(f => names.Add(f.Name)))
        {
            var root = Read(svg);
            var symbol = new ExportNode("symbol") { ["id"] = name, ["viewBox"] = root["viewBox"] };
            symbol.Attributes.AddRange(root.Attributes.Where(a => a.Key is not ("width" or "height" or "viewBox" or "xmlns")));
            symbol.With(root.Children.Where(c => c.Name != "metadata"));
            foreach (var node in symbol.SelfAndDescendants().Where(n => n != symbol))
            {
                if (node["id"] is { } id)
                {
                    node["id"] = $"{name}-{id}";
                }
                foreach (var (attribute, value) in node.Attributes.Where(a => References.Of(a.Key, a.Value).Any()).ToList())
                {
                    node[attribute] = References.Rename(attribute, value, id => $"{name}-{id}");
                }
            }
            ExportWriter.Write(text, symbol);
            text.Append('\n');
        }
        return text.Append("</svg>\n").ToString();
    }

    /// <summary>Reads back what was written here; it has no prefixes but <c>xml:</c>.</summary>
    private static ExportNode Read(string svg)
    {
        using var reader = XmlReader.Create(new StringReader(svg), new() { DtdProcessing = DtdProcessing.Prohibit });
        var open = new Stack<ExportNode>();
        ExportNode? root = null;
        while (reader.Read())
        {
            if (reader.NodeType == XmlNodeType.Element)
            {
                var node = new ExportNode(reader.Name);
                var isEmpty = reader.IsEmptyElement;
                while (reader.MoveToNextAttribute())
                {
                    node[reader.Name] = reader.Value;
                }
                root ??= node;
                if (open.TryPeek(out var parent))
                {
                    parent.Children.Add(node);
                }
                if (!isEmpty)
                {
                    open.Push(node);
                }
            }
            else if (reader.NodeType == XmlNodeType.EndElement)
            {
                open.Pop();
            }
            else if (reader.NodeType is XmlNodeType.Text or XmlNodeType.Whitespace or XmlNodeType.SignificantWhitespace && open.TryPeek(out var inner))
            {
                inner.Children.Add(ExportNode.OfText(reader.Value));
            }
        }
        return root!;
    }
}
