using System.Text;
using Kalypto.Core.Formats;

namespace Kalypto.Core.Exporting;

/// <summary>Writes elements on their way out as text.</summary>
internal static class ExportWriter
{
    /// <summary>Writes the attributes and the rest of the root, whose name stands already.</summary>
    public static void WriteInside(StringBuilder text, ExportNode root, CreditLines? credit)
    {
        Attributes(text, root);
        text.Append('>');
        if (credit is not null)
        {
            text.Append("<metadata>").Append(credit.ToXmpMeta()).Append("</metadata>");
        }
        foreach (var child in root.Children)
        {
            Write(text, child);
        }
        text.Append("</svg>");
    }

    /// <summary>Writes an element with all in it.</summary>
    public static void Write(StringBuilder text, ExportNode node)
    {
        if (node.IsText)
        {
            Escape(text, node.Text, attribute: false);
            return;
        }
        text.Append('<').Append(node.Name);
        Attributes(text, node);
        if (node.Children.Count == 0)
        {
            text.Append("/>");
            return;
        }
        text.Append('>');
        foreach (var child in node.Children)
        {
            Write(text, child);
        }
        text.Append("</").Append(node.Name).Append('>');
    }

    private static void Attributes(StringBuilder text, ExportNode node)
    {
        foreach (var (name, value) in node.Attributes)
        {
            text.Append(' ').Append(name).Append("=\"");
            Escape(text, value, attribute: true);
            text.Append('"');
        }
    }

    private static void Escape(StringBuilder text, string value, bool attribute)
    {
        foreach (var c in value)
        {
            _ = c switch
            {
                '<' => text.Append("&lt;"),
                '>' when !attribute => text.Append("&gt;"),
                '&' => text.Append("&amp;"),
                '"' when attribute => text.Append("&quot;"),
                '\n' when attribute => text.Append("&#10;"),
                '\t' when attribute => text.Append("&#9;"),
                '\r' => text.Append("&#13;"),
                _ => text.Append(c),
            };
        }
    }
}
