using System.Text;
using Kalypto.Core.Formats;
using Kalypto.Core.Isolating;

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
            text.Append(credit.ToMetadata());
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
            SvgWriter.Escape(text, node.Text, attribute: false);
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
            SvgWriter.Escape(text, value, attribute: true);
            text.Append('"');
        }
    }
}
