using System.Text;
using System.Xml;

namespace Kalypto.Core.Reading;

/// <summary>Reads the XML of an SVG file into builders, under the limits, and leaves out what must not come in.</summary>
internal sealed class SvgParser(ReadingLimits limits)
{
    private const int LongestNote = 300;

    /// <summary>What is said of something that moves.</summary>
    public const string Still = "It moves or changes in the drawing; the picture shows it as it stands without that.";

    private const string Remedy = "Save the drawing again as plain SVG and bring it in once more";
    private const int LongestTitle = 2000;
    private readonly StringBuilder styles = new();
    private readonly List<(ElementBuilder? Element, string Sentence)> notes = [];
    private int count;

    /// <summary>The text of all style sheets in the file.</summary>
    public string Styles => styles.ToString();

    /// <summary>What was left out and is worth saying.</summary>
    public IReadOnlyList<(ElementBuilder? Element, string Sentence)> Notes => notes;

    /// <summary>How files are read as XML.</summary>
    /// <exception cref="DrawingRefusedException">It declares entities that may not come in.</exception>
    public static XmlReaderSettings Settings(ReadOnlySpan<byte> file, ReadingLimits limits) => new()
    {
        // A plain document type line is skipped, never processed.
        DtdProcessing = Doctype.HasPlainEntities(file) ? DtdProcessing.Parse : DtdProcessing.Ignore,
        MaxCharactersFromEntities = Doctype.MostFromEntities,
        XmlResolver = null,
        IgnoreComments = true,
        IgnoreProcessingInstructions = true,
        // Escaped ampersands of style sheets are longer than they came in.
        MaxCharactersInDocument = limits.Bytes * 2L,
        CheckCharacters = true,
    };

    public ElementBuilder Parse(ReadOnlyMemory<byte> file)
    {
        Inspect(file.Span);
        try
        {
            using var stream = FileStreams.Open(BareAmpersands.Escape(file));
            using var reader = XmlReader.Create(stream, Settings(file.Span, limits));
            return Read(reader);
        }
        catch (XmlException e)
        {
            throw new DrawingRefusedException($"The file is not whole or not well-formed XML: {e.Message.TrimEnd('.')}", Remedy, 0, e);
        }
    }

    private void Inspect(ReadOnlySpan<byte> file)
    {
        if (file.IsEmpty)
        {
            throw new DrawingRefusedException("The file is empty", "Save the drawing again and bring that file in");
        }
        if (file.Length > limits.Bytes)
        {
            throw new DrawingRefusedException(
                $"The file has {file.Length / 1_000_000} MB; {limits.Bytes / 1_000_000} MB is the most",
                "Split the drawing into several files, or embed its photos smaller");
        }
        if (file[0] == 0x1f && file.Length > 1 && file[1] == 0x8b)
        {
            throw new DrawingRefusedException("The file is compressed (SVGZ)", "Save it as plain, uncompressed SVG");
        }
        if (StrangeFiles.NameOf(file) is { } strange)
        {
            throw new DrawingRefusedException($"The file is {strange}, which is no drawing", "Save the drawing as SVG, PDF, OpenRaster, PNG or JPEG and bring that file in");
        }
    }

    private ElementBuilder Read(XmlReader reader)
    {
        var lines = (IXmlLineInfo)reader;
        ElementBuilder? root = null;
        ElementBuilder? current = null;
        var svg = SvgNames.Namespace;
        while (!reader.EOF)
        {
            if (root is null ? !reader.Read() : reader.ReadState != ReadState.Interactive)
            {
                break;
            }
            switch (reader.NodeType)
            {
                case XmlNodeType.Element:
                    if (root is null)
                    {
                        if (reader.LocalName != "svg" || (reader.NamespaceURI.Length > 0 && reader.NamespaceURI != svg))
                        {
                            throw new DrawingRefusedException(
                                $"The file is XML, but not an SVG drawing: its outermost element is <{Clip(reader.LocalName)}>",
                                "Bring in a file saved as SVG", lines.LineNumber);
                        }
                        svg = reader.NamespaceURI;
                    }
                    if (reader.NamespaceURI == svg && reader.LocalName == "foreignObject" && current is not null)
                    {
                        CountElement(lines.LineNumber);
                        ReadForeign(reader, current);
                        continue;
                    }
                    if (reader.NamespaceURI != svg || SvgNames.Dropped.Contains(reader.LocalName))
                    {
                        LeaveOut(reader, svg, current);
                        continue;
                    }
                    CountElement(lines.LineNumber);
                    var element = new ElementBuilder(reader.LocalName, current, lines.LineNumber, lines.LinePosition);
                    if (element.Depth > limits.Depth)
                    {
                        throw new DrawingRefusedException(
                            $"Groups lie more than {limits.Depth} deep in one another", "Take needless outer groups apart", lines.LineNumber);
                    }
                    if (reader.AttributeCount > limits.Attributes)
                    {
                        throw new DrawingRefusedException($"An element has more than {limits.Attributes} attributes", "Save the drawing again as plain SVG", lines.LineNumber);
                    }
                    ReadAttributes(reader, element);
                    current?.Children.Add(element);
                    root ??= element;
                    if (!reader.IsEmptyElement)
                    {
                        current = element;
                    }
                    break;
                case XmlNodeType.EndElement:
                    current = current?.Parent;
                    break;
                case XmlNodeType.Text or XmlNodeType.CDATA or XmlNodeType.SignificantWhitespace or XmlNodeType.Whitespace:
                    if (current is not null && SvgNames.TextContent.Contains(current.Name) && InText(current))
                    {
                        current.Children.Add(reader.Value);
                    }
                    break;
            }
            if (root is not null)
            {
                reader.Read();
            }
        }
        return root ?? throw new DrawingRefusedException("The file holds no drawing", Remedy);
    }

    private void CountElement(int line)
    {
        if (++count > limits.Elements)
        {
            throw new DrawingRefusedException($"The drawing has more than {limits.Elements:N0} elements", "Split it into several files", line);
        }
    }

    /// <summary>Takes what is useful of an element that does not come in (styles, titles), and skips it.</summary>
    private void LeaveOut(XmlReader reader, string svg, ElementBuilder? parent)
    {
        var name = reader.NamespaceURI == svg ? reader.LocalName : "";
        switch (name)
        {
            case "style":
                var media = reader.GetAttribute("media");
                var text = reader.ReadElementContentAsString();
                if (media is null or "" or "all" or "screen")
                {
                    styles.AppendLine(text);
                }
                return;
            case "title" when parent is not null:
                var title = PlainText(reader);
                parent.Label ??= Named(title);
                return;
            case "animate" or "animateTransform" or "animateMotion" or "animateColor" or "set" when parent is not null:
                notes.Add((parent, Still));
                break;
            case "script":
                notes.Add((null, "A script was left out: drawings are pictures here, nothing in them runs."));
                break;
        }
        reader.Skip();
    }

    /// <summary>Of foreign content, such as HTML, only its place is kept, and whether it shows a photo: the exact engine knows what is in it.</summary>
    private void ReadForeign(XmlReader reader, ElementBuilder parent)
    {
        var lines = (IXmlLineInfo)reader;
        var element = new ElementBuilder(reader.LocalName, parent, lines.LineNumber, lines.LinePosition) { Beyond = "foreign content (HTML)" };
        foreach (var condition in new[] { "requiredExtensions", "systemLanguage" })
        {
            element[condition] = reader.GetAttribute(condition);
        }
        parent.Children.Add(element);
        notes.Add((element, $"A foreignObject on line {lines.LineNumber} is left out by the quick engine: it draws nothing but SVG."));
        element[ForeignContent.Photo] = ForeignContent.ShowsPhoto(reader) ? "yes" : null;
    }

    /// <summary>The text of the element at which the reader stands, which then stands behind it; null when there is more than text in it.</summary>
    private static string? PlainText(XmlReader reader)
    {
        var (depth, text, isPlain) = (reader.Depth, new StringBuilder(), true);
        if (!reader.IsEmptyElement)
        {
            while (reader.Read() && reader.Depth > depth)
            {
                isPlain &= reader.NodeType != XmlNodeType.Element;
                text.Append(text.Length < LongestTitle ? reader.Value : "");
            }
        }
        reader.Read();
        return isPlain ? text.ToString() : null;
    }

    private void ReadAttributes(XmlReader reader, ElementBuilder element)
    {
        string? label = null, dataName = null, aria = null;
        for (var more = reader.MoveToFirstAttribute(); more; more = reader.MoveToNextAttribute())
        {
            var name = reader.LocalName;
            var value = reader.Value;
            if (reader.Prefix == "xmlns" || name == "xmlns")
            {
                continue;
            }
            switch (name)
            {
                case "label": label = value; continue;
                case "data-name": dataName = value; continue;
                case "aria-label": aria = value; continue;
                case Designs.LayerText.Words: element[name] = value; continue;
                case SvgNames.Note when element.Parent is null: notes.Add((null, Naming.PlainText.Clean(value, LongestNote))); continue;
                case "data-guide": element.Guide = value != "false"; continue;
                case "insensitive" or "locked" or "data-locked": element.Locked = value == "true"; continue;
            }
            if (reader.Prefix == "xml")
            {
                name = "xml:" + name;
            }
            else if (reader.NamespaceURI.Length > 0 && name != "href")
            {
                continue;
            }
            // No handlers, nothing for scripts and assistive layers: none of it is painted.
            if (name.StartsWith("on", StringComparison.OrdinalIgnoreCase) || name.StartsWith("data-", StringComparison.Ordinal)
                || name.StartsWith("aria-", StringComparison.Ordinal) || name is "role" or "tabindex")
            {
                continue;
            }
            element[name] = value;
        }
        reader.MoveToElement();
        element.Label = Named(label) ?? Named(dataName) ?? Named(aria);
    }

    private static string? Named(string? name) => string.IsNullOrWhiteSpace(name) ? null : name.Trim();

    private static string Clip(string text) => Naming.PlainText.Clean(text, 40);

    private static bool InText(ElementBuilder element)
    {
        for (var e = element; e is not null; e = e.Parent)
        {
            if (e.Name == "text")
            {
                return true;
            }
        }
        return false;
    }
}
