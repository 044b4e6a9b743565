using System.Collections.Immutable;
using System.Text;
using Kalypto.Core.Designs;

namespace Kalypto.Core.Isolating;

/// <summary>Writes elements as SVG text, always in the same form.</summary>
internal sealed class SvgWriter
{
    private const string Namespaces = "xmlns=\"http://www.w3.org/2000/svg\"";

    // Properties that reach from a definition's surroundings into it.
    private static readonly HashSet<string> NotInherited =
        ["id", "transform", "opacity", "clip-path", "mask", "filter", "display", "x", "y", "width", "height", "viewBox", "mix-blend-mode", "overflow"];

    private readonly StringBuilder text = new();

    public SvgWriter Raw(string raw)
    {
        text.Append(raw);
        return this;
    }

    public void OpenRoot(Box crop, double width, double height) => text
        .Append("<svg ").Append(Namespaces)
        .Append(" width=\"").Append(Numbers.Text(width)).Append("\" height=\"").Append(Numbers.Text(height))
        .Append("\" viewBox=\"").Append(Numbers.Text(crop.X)).Append(' ').Append(Numbers.Text(crop.Y)).Append(' ')
        .Append(Numbers.Text(crop.Width)).Append(' ').Append(Numbers.Text(crop.Height)).Append("\">");

    public void Open(Element element)
    {
        text.Append('<').Append(element.Name);
        Attributes(element.Attributes);
        text.Append('>');
    }

    public void Close(Element element) => text.Append("</").Append(element.Name).Append('>');

    /// <summary>Opens a group with just what the element hands down to what lies in it.</summary>
    public void OpenStyled(Element element)
    {
        text.Append("<g");
        Attributes(HandedDown(element));
        text.Append('>');
    }

    /// <summary>Just what an element hands down to what lies in it.</summary>
    public static ImmutableArray<ElementAttribute> HandedDown(Element element) => [.. element.Attributes.Where(a => !NotInherited.Contains(a.Name)).Select(a => a.Name != "style" ? a
        : new("style", StyleText.Write(StyleText.Parse(a.Value).Where(d => !NotInherited.Contains(d.Name)).Select(d => KeyValuePair.Create(d.Name, d.Value)))))];

    /// <summary>Writes the element with all in it, but for the elements to leave out.</summary>
    public void Whole(Element element, IReadOnlySet<Element>? without = null)
    {
        if (without?.Contains(element) == true)
        {
            // An empty shell keeps the order of siblings as it was.
            text.Append("<g/>");
            return;
        }
        text.Append('<').Append(element.Name);
        Attributes(element.Attributes);
        if (element.Children.IsEmpty)
        {
            text.Append("/>");
            return;
        }
        text.Append('>');
        foreach (var child in element.Children)
        {
            if (child is Element inner)
            {
                Whole(inner, without);
            }
            else
            {
                Escape(((TextNode)child).Text, attribute: false);
            }
        }
        Close(element);
    }

    public override string ToString() => text.ToString();

    private void Attributes(IEnumerable<ElementAttribute> attributes)
    {
        foreach (var (name, value) in attributes)
        {
            text.Append(' ').Append(name).Append("=\"");
            Escape(value, attribute: true);
            text.Append('"');
        }
    }

    private void Escape(string value, bool attribute) => Escape(text, value, attribute);

    /// <summary>Writes characters so that a reader gets them back as they are.</summary>
    public static void Escape(StringBuilder text, string value, bool attribute)
    {
        var start = 0;
        for (var i = 0; i < value.Length; i++)
        {
            var replacement = value[i] switch
            {
                '<' => "&lt;",
                '>' => "&gt;",
                '&' => "&amp;",
                '"' when attribute => "&quot;",
                '\n' when attribute => "&#10;",
                '\t' when attribute => "&#9;",
                '\r' => "&#13;",
                _ => null,
            };
            if (replacement is not null)
            {
                text.Append(value, start, i - start).Append(replacement);
                start = i + 1;
            }
        }
        text.Append(value, start, value.Length - start);
    }
}
