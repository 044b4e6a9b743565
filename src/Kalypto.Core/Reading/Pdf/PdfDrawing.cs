using System.Globalization;
using System.Xml;
using System.Xml.Linq;
using Kalypto.Core.Designs;

namespace Kalypto.Core.Reading.Pdf;

/// <summary>
/// Makes one drawing out of the pages of a PDF: each page is a screen, each group of optional content a layer of its name, and
/// each line of words a layer that is named and typed as the text that it is, drawn by its outlines.
/// </summary>
public static class PdfDrawing
{
    private const double Gap = 40;

    // How far a letter's place may lie outside the box of its line, in pt.
    private const double Near = 1.5;
    private static readonly XNamespace Svg = SvgNames.Namespace;
    private static readonly XNamespace Link = "http://www.w3.org/1999/xlink";

    /// <summary>Writes the drawing as SVG.</summary>
    /// <param name="pages">The pages in their order; at least one.</param>
    /// <param name="note">What could not be taken over, as a sentence; null for nothing.</param>
    /// <exception cref="XmlException">A page is no SVG.</exception>
    public static string Write(IReadOnlyList<PdfPage> pages, string? note = null)
    {
        var root = new XElement(Svg + "svg", new XAttribute(XNamespace.Xmlns + "xlink", Link.NamespaceName), note is null ? null : new XAttribute(SvgNames.Note, note));
        var across = 0.0;
        foreach (var (i, page) in pages.Index())
        {
            var content = Content(page, $"p{i + 1}-").ToList();
            if (pages.Count == 1)
            {
                root.Add(ViewBox(page.Width, page.Height), content);
                return root.ToString(SaveOptions.DisableFormatting);
            }
            root.Add(new XElement(Svg + "svg", new XAttribute("data-name", $"Page {i + 1}"),
                new XAttribute("x", Text(across)), new XAttribute("y", "0"), new XAttribute("width", Text(page.Width)), new XAttribute("height", Text(page.Height)), ViewBox(page.Width, page.Height), content));
            across += page.Width + Gap;
        }
        root.Add(ViewBox(across - Gap, pages.Max(p => p.Height)));
        return root.ToString(SaveOptions.DisableFormatting);
    }

    private static IEnumerable<XElement> Content(PdfPage page, string prefix)
    {
        var own = Parse(page.Svg, prefix);
        var groups = page.Contents.Select((c, i) => (Group: c, Document: Parse(c.Svg, $"{prefix}{i + 1}-"))).ToList();
        var definitions = groups.Select(g => g.Document).Prepend(own).SelectMany(d => d.Root!.Elements(Svg + "defs")).ToList();
        var letters = definitions.Elements().Elements(Svg + "symbol").ToDictionary(s => $"#{s.Attribute("id")?.Value}", s => s.Element(Svg + "path")?.Attribute("d")?.Value ?? "");
        var merged = PageMerger.Merge(Shown(own), [.. groups.Select(g => (g.Group, Shown(g.Document)))]).Select(m => (m.Group, Element: WithLines(m.Element, page.Lines, letters))).ToList();
        yield return new XElement(Svg + "defs", definitions.SelectMany(d => d.Elements()).Where(e => !IsLetters(e)));
        for (var i = 0; i < merged.Count;)
        {
            var group = merged[i].Group;
            var together = merged.Skip(i).TakeWhile(m => m.Group == group).Select(m => m.Element).ToList();
            i += together.Count;
            var joined = Joined(together);
            foreach (var element in group is null ? joined : [new XElement(Svg + "g", new XAttribute("data-name", group.Name), group.IsVisible ? null : new XAttribute("display", "none"), joined)])
            {
                yield return element;
            }
        }
    }

    private static XDocument Parse(string svg, string prefix)
    {
        using var reader = XmlReader.Create(new StringReader(svg), new() { DtdProcessing = DtdProcessing.Prohibit, XmlResolver = null });
        var document = XDocument.Load(reader);
        foreach (var attribute in document.Descendants().Attributes().ToList())
        {
            attribute.Value = attribute.Name.LocalName == "id" ? prefix + attribute.Value
                : attribute.Value.StartsWith('#') && attribute.Name.LocalName == "href" ? $"#{prefix}{attribute.Value[1..]}"
                : attribute.Value.Replace("url(#", $"url(#{prefix}", StringComparison.Ordinal);
        }
        return document;
    }

    // The page is one group around all that is on it.
    private static List<XElement> Shown(XDocument page) => [.. page.Root!.Elements().Where(e => e.Name != Svg + "defs").SelectMany(e => e.Name == Svg + "g" && !IsRun(e) && e.Attribute("clip-path") is null ? e.Elements() : [e])];

    private static bool IsLetters(XElement definition) => definition.Elements().Any() && definition.Elements().All(e => e.Name == Svg + "symbol");

    // Letters that are painted in one go.
    private static bool IsRun(XElement element) => element.Name == Svg + "g" && element.Elements().Any() && element.Elements().All(e => e.Name == Svg + "use" && e.Attribute("x") is not null);

    /// <summary>An element in which letters are paths, that know their words.</summary>
    private static XElement WithLines(XElement element, IReadOnlyList<PdfLine> lines, IReadOnlyDictionary<string, string> letters)
    {
        if (IsRun(element))
        {
            return Outlined(element, lines, letters);
        }
        var copy = new XElement(element.Name, element.Attributes());
        copy.Add(element.Nodes().Select(n => n is XElement e && element.Name == Svg + "g" ? WithLines(e, lines, letters) : n));
        if (copy.Name != Svg + "g" || copy.Elements().ToList() is not [var only])
        {
            return copy;
        }
        if (only.Attribute(LayerText.Words) is { } words)
        {
            return Named(copy, words.Value);
        }
        // A group around one thing that clips it says no more than the thing clipped.
        if (only.Attribute("transform") is not null || only.Attribute("clip-path") is not null || copy.Attribute("id") is not null)
        {
            return copy;
        }
        only.Remove();
        only.Add(copy.Attributes().Where(a => only.Attribute(a.Name) is null));
        return only;
    }

    private static XElement Outlined(XElement run, IReadOnlyList<PdfLine> lines, IReadOnlyDictionary<string, string> letters)
    {
        var first = run.Elements().First();
        var (x, y) = (Number(first, "x"), Number(first, "y"));
        var line = lines.FirstOrDefault(l => l.Box.Inflate(Near) is var near && x >= near.X && x <= near.Right && y >= near.Y && y <= near.Bottom);
        var outlined = new XElement(Svg + "g", run.Attributes(), run.Elements().Select(use => new XElement(Svg + "path",
            new XAttribute("transform", $"translate({use.Attribute("x")!.Value},{use.Attribute("y")?.Value ?? "0"})"), new XAttribute("d", letters.GetValueOrDefault(use.Attribute(Link + "href")?.Value ?? "") ?? ""))));
        return line is null ? outlined : Named(outlined, line.Words);
    }

    private static XElement Named(XElement element, string words)
    {
        element.SetAttributeValue(LayerText.Words, words);
        return element;
    }

    /// <summary>Runs of one line that follow each other are one layer.</summary>
    private static IEnumerable<XElement> Joined(List<XElement> elements)
    {
        for (var i = 0; i < elements.Count;)
        {
            var words = elements[i].Attribute(LayerText.Words)?.Value;
            var runs = words is null ? 1 : elements.Skip(i).TakeWhile(e => e.Attribute(LayerText.Words)?.Value == words).Count();
            yield return runs == 1 ? elements[i] : new XElement(Svg + "g", new XAttribute(LayerText.Words, words!), elements.Skip(i).Take(runs).Select(e =>
            {
                e.SetAttributeValue(LayerText.Words, null);
                return e;
            }));
            i += runs;
        }
    }

    private static XAttribute ViewBox(double width, double height) => new("viewBox", $"0 0 {Text(width)} {Text(height)}");

    private static double Number(XElement element, string name) => double.TryParse(element.Attribute(name)?.Value, CultureInfo.InvariantCulture, out var number) ? number : 0;

    private static string Text(double number) => Numbers.Text(number);
}
