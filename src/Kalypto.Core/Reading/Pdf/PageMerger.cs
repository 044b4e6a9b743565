using System.Xml.Linq;

namespace Kalypto.Core.Reading.Pdf;

/// <summary>
/// Puts what is on a page in its order again, each group of optional content by itself. A page with one group shown is the page
/// without any, and between that what belongs to the group.
/// </summary>
internal static class PageMerger
{
    private const int Deepest = 8;

    /// <summary>What is on a page in its order, with the group that it belongs to; null for none.</summary>
    public static IEnumerable<(PdfContent? Group, XElement Element)> Merge(IReadOnlyList<XElement> page, IReadOnlyList<(PdfContent Group, IReadOnlyList<XElement> Shown)> groups)
    {
        var common = groups.Count == 0 ? [] : Signs(page);
        var between = groups.SelectMany(g => Between(common, g.Shown).Select(b => (b.At, g.Group, b.Element))).ToLookup(b => b.At);
        for (var i = 0; i <= page.Count; i++)
        {
            foreach (var (_, group, element) in between[i])
            {
                yield return (group, element);
            }
            if (i < page.Count)
            {
                yield return (null, page[i]);
            }
        }
    }

    /// <summary>What is shown beyond a page without groups, and before which of its elements.</summary>
    private static IEnumerable<(int At, XElement Element)> Between(List<string> common, IReadOnlyList<XElement> shown)
    {
        var at = 0;
        foreach (var (element, sign) in shown.Zip(Signs(shown)))
        {
            if (at < common.Count && sign == common[at])
            {
                at++;
            }
            else
            {
                yield return (at, element);
            }
        }
    }

    /// <summary>Elements of one page as texts in which what they refer to stands itself, for every page counts its definitions anew.</summary>
    private static List<string> Signs(IReadOnlyList<XElement> elements)
    {
        var definitions = elements.Count == 0 ? [] : elements[0].Document!.Descendants().Where(e => e.Attribute("id") is not null).GroupBy(e => e.Attribute("id")!.Value).ToDictionary(g => g.Key, g => g.First());
        return [.. elements.Select(e => Write(e, 0))];

        string Write(XElement e, int depth) => string.Concat([
            e.Name.LocalName, "(",
            .. e.Attributes().Where(a => !a.IsNamespaceDeclaration && a.Name.LocalName != "id").Select(a => $"{a.Name.LocalName}={Resolve(a.Name.LocalName, a.Value, depth)};"),
            .. e.Elements().Select(c => Write(c, depth)), ")"]);

        string Resolve(string name, string value, int depth) => depth > Deepest ? value
            : Designs.References.Of(name, value).Where(definitions.ContainsKey).Aggregate(value, (text, id) => text.Replace(id, Write(definitions[id], depth + 1), StringComparison.Ordinal));
    }
}
