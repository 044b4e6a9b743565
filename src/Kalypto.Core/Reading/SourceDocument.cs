using System.Globalization;
using System.Text;
using System.Text.RegularExpressions;
using System.Xml;
using System.Xml.Linq;
using Kalypto.Core.Designs;

namespace Kalypto.Core.Reading;

/// <summary>
/// One layer of a file, as an SVG document that a browser draws: the file as it came in, with all else hidden. Nothing is worked
/// out or rewritten, so that what our reading does not understand stays as the drawing said it. Scripts, animations and whatever
/// reaches outside are taken out.
/// </summary>
public static partial class SourceDocument
{
    // On what is there only for the boxes that it is in; a file that has it itself means something else.
    private const string CountedMark = "data-counted";

    private const int LongestRule = 100;
    private const string Hidden = "display:none!important";

    // Not seen, but still a part of the boxes that it is in.
    private const string Counted = "opacity:0!important";
    private const string Displayed = "display:inline!important";
    private const string Shown = Displayed + ";visibility:visible!important";

    // Effects of a group belong to the group, as in an isolated layer.
    private const string Around = ";filter:none!important;mix-blend-mode:normal!important";
    private static readonly XNamespace Svg = SvgNames.Namespace;
    private static readonly XNamespace Link = "http://www.w3.org/1999/xlink";

    // What acts, moves or loads something, in SVG as in foreign content.
    private static readonly HashSet<string> Acting = new(StringComparer.OrdinalIgnoreCase)
    {
        "script", "animate", "animateTransform", "animateMotion", "animateColor", "set", "discard", "handler", "listener", "metadata",
        "iframe", "frame", "object", "embed", "applet", "link", "meta", "base", "audio", "video", "source", "form", "portal",
    };

    /// <summary>Writes the document.</summary>
    /// <param name="file">The bytes of the file, which was read before. Treated as hostile.</param>
    /// <param name="cut">What of it to show, and how.</param>
    /// <exception cref="DrawingRefusedException">The file is no drawing, or the layer is not in it.</exception>
    public static string Of(ReadOnlyMemory<byte> file, SourceCut cut)
    {
        var root = Load(file);
        TakeOut(root);
        var layer = root.DescendantsAndSelf().FirstOrDefault(e => PlaceOf(e) == cut.Layer)
            ?? throw new DrawingRefusedException("The layer is not in its file any more", "Bring the drawing in again");
        var referred = ReferredIn(root);
        foreach (var inside in layer.Descendants().Where(e => cut.Without.Contains(PlaceOf(e))).ToList())
        {
            Hide(inside, referred, IsCounted(inside, cut));
        }
        HashSet<XElement> shown = cut.Members.IsEmpty ? [layer] : [.. root.Descendants().Where(e => cut.Members.Contains(PlaceOf(e)))];
        var ways = shown.SelectMany(e => e.AncestorsAndSelf()).ToHashSet();
        foreach (var beside in ways.Where(e => !shown.Contains(e)).SelectMany(e => e.Elements()).Where(e => !ways.Contains(e) && IsPainted(e)).ToList())
        {
            Hide(beside, referred, IsCounted(beside, cut));
        }
        foreach (var around in layer.AncestorsAndSelf().Where(e => e != root))
        {
            Say(around, (cut.KeepsVisibility ? Displayed : Shown) + (shown.Contains(around) ? "" : Around));
        }
        return Write(root, cut);
    }

    private static XElement Load(ReadOnlyMemory<byte> file)
    {
        try
        {
            using var stream = FileStreams.Open(BareAmpersands.Escape(file));
            using var reader = XmlReader.Create(stream, SvgParser.Settings(file.Span, ReadingLimits.Default));
            return XDocument.Load(reader, LoadOptions.SetLineInfo | LoadOptions.PreserveWhitespace).Root!;
        }
        catch (XmlException e)
        {
            throw new DrawingRefusedException("The file is not well-formed XML", "Bring the drawing in again", 0, e);
        }
    }

    private static SourcePlace PlaceOf(XElement element) => element is IXmlLineInfo info && info.HasLineInfo() ? new(info.LineNumber, info.LinePosition) : default;

    private static void TakeOut(XElement root)
    {
        foreach (var element in root.DescendantsAndSelf().Where(e => Acting.Contains(e.Name.LocalName)).ToList())
        {
            if (element != root)
            {
                element.Remove();
            }
        }
        foreach (var element in root.DescendantsAndSelf())
        {
            foreach (var attribute in element.Attributes().Where(a => !a.IsNamespaceDeclaration).ToList())
            {
                var name = attribute.Name.LocalName;
                if (name.StartsWith("on", StringComparison.OrdinalIgnoreCase) || name is CountedMark or "srcset" or "srcdoc" or "formaction" or "action" or "ping"
                    || (name is "href" or "src" && !IsInside(attribute.Value)))
                {
                    attribute.Remove();
                }
                else if (References.Addresses(attribute.Value).Any(a => !IsInside(a.Address)))
                {
                    attribute.Value = WithoutOutside(attribute.Value);
                }
            }
            if (element.Name.LocalName == "style" && References.Addresses(element.Value).Any(a => !IsInside(a.Address)))
            {
                element.Value = WithoutOutside(element.Value);
            }
        }
    }

    private static bool IsInside(string address) => address.Length == 0 || address[0] == '#'
        || address.StartsWith("data:image/", StringComparison.OrdinalIgnoreCase) || address.StartsWith("data:font/", StringComparison.OrdinalIgnoreCase)
        || address.StartsWith("data:application/", StringComparison.OrdinalIgnoreCase);

    private static string WithoutOutside(string text)
    {
        var kept = new StringBuilder();
        var done = 0;
        foreach (var (start, end, address) in References.Addresses(text))
        {
            // A namespace is a name; nobody goes there.
            if (!IsInside(address) && !NamesSpace().IsMatch(text.AsSpan()[Math.Max(0, start - LongestRule)..start]))
            {
                kept.Append(text, done, start - done).Append("url(#)");
                done = end;
            }
        }
        return kept.Append(text, done, text.Length - done).ToString();
    }

    private static HashSet<string> ReferredIn(XElement root)
    {
        var ids = new HashSet<string>(StringComparer.Ordinal);
        foreach (var element in root.DescendantsAndSelf())
        {
            foreach (var attribute in element.Attributes())
            {
                ids.UnionWith(References.Of(attribute.Name.LocalName, attribute.Value));
            }
            if (element.Name.LocalName == "style")
            {
                ids.UnionWith(References.Of("style", element.Value));
            }
        }
        return ids;
    }

    private static bool IsPainted(XElement element) => element.Name.Namespace == Svg || element.Name.Namespace == XNamespace.None
        ? SvgNames.IsLayer(element.Name.LocalName) || element.Name.LocalName == "foreignObject" : false;

    /// <summary>Hides an element in its place, so that rules that count siblings still hold; what nothing refers to goes out of it.</summary>
    private static void Hide(XElement element, HashSet<string> referred, bool isCounted)
    {
        var hidden = isCounted ? Counted : Hidden;
        bool IsReferred(XElement e) => e.Attribute("id") is { } id && referred.Contains(id.Value);
        if (IsReferred(element))
        {
            // Where it is shown elsewhere, it must not say itself that it is hidden.
            element.ReplaceWith(new XElement(element.Name.Namespace + "g", new XAttribute("style", hidden), isCounted ? new XAttribute(CountedMark, "") : null, new XElement(element)));
            return;
        }
        if (isCounted)
        {
            element.SetAttributeValue(CountedMark, "");
        }
        else if (!element.Descendants().Any(e => IsReferred(e) || e.Name.LocalName == "style"))
        {
            element.RemoveNodes();
            element.Attributes().Where(a => a.Value.Length > 200 || a.Name.LocalName is "href").Remove();
        }
        Say(element, hidden);
    }

    private static bool IsCounted(XElement element, SourceCut cut) => !cut.Counting.IsEmpty && element.Ancestors().Any(a => cut.Counting.Contains(PlaceOf(a)));

    private static void Say(XElement element, string style) => element.SetAttributeValue("style", element.Attribute("style") is { Value.Length: > 0 } said ? $"{said.Value.TrimEnd().TrimEnd(';')};{style}" : style);

    private static string Write(XElement root, SourceCut cut)
    {
        foreach (var name in new[] { "x", "y", "width", "height", "viewBox", "overflow", "preserveAspectRatio" })
        {
            root.SetAttributeValue(name, null);
        }
        var (box, crop) = (cut.Drawing, cut.Crop);
        foreach (var (name, value) in new[] { ("x", box.X), ("y", box.Y), ("width", box.Width), ("height", box.Height) })
        {
            root.SetAttributeValue(name, Numbers.Text(value));
        }
        root.SetAttributeValue("viewBox", ViewBox(box));
        // What the file says of its own size on a page means nothing here.
        Say(root, string.Create(CultureInfo.InvariantCulture,
            $"{Shown};overflow:visible!important;x:{box.X}px!important;y:{box.Y}px!important;width:{box.Width}px!important;height:{box.Height}px!important;margin:0!important;background:none!important"));
        XNamespace own = root.Name.Namespace == XNamespace.None ? XNamespace.None : Svg;
        if (own == XNamespace.None)
        {
            foreach (var element in root.DescendantsAndSelf().Where(e => e.Name.Namespace == XNamespace.None))
            {
                element.Name = Svg + element.Name.LocalName;
            }
        }
        var outer = new XElement(Svg + "svg",
            new XAttribute("width", Numbers.Text(cut.Width)), new XAttribute("height", Numbers.Text(cut.Height)), new XAttribute("viewBox", ViewBox(crop)), new XAttribute("preserveAspectRatio", "none"),
            new XElement(Svg + "style", "*{animation:none!important;transition:none!important;caret-color:transparent!important}"));
        if (cut.Ground is { } ground)
        {
            outer.Add(new XElement(Svg + "rect", new XAttribute("x", Numbers.Text(crop.X)), new XAttribute("y", Numbers.Text(crop.Y)),
                new XAttribute("width", Numbers.Text(crop.Width)), new XAttribute("height", Numbers.Text(crop.Height)), new XAttribute("fill", ground)));
        }
        root.SetAttributeValue(XNamespace.Xmlns + "xlink", Link.NamespaceName);
        outer.Add(root);
        return outer.ToString(SaveOptions.DisableFormatting);
    }

    private static string ViewBox(Box box) => $"{Numbers.Text(box.X)} {Numbers.Text(box.Y)} {Numbers.Text(box.Width)} {Numbers.Text(box.Height)}";

    [GeneratedRegex(@"@namespace\s+([\w-]+\s+)?$", RegexOptions.IgnoreCase)]
    private static partial Regex NamesSpace();
}
