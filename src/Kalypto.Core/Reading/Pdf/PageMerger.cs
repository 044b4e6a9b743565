using System.Xml.Linq;

namespace Kalypto.Core.Reading.Pdf;

/// <summary>
/// Puts what is on a page in its order again, each group of optional content by itself. A page with one group shown is the page
/// without any, and between that what belongs to the group.
/// </summary>
internal static class PageMerger
{
    /// <summary>What is on a page in its order, with the group that it belongs to; null for none.</summary>
    public static IEnumerable<(PdfContent? Group, XElement Element)> Merge(IReadOnlyList<XElement> page, IReadOnlyList<(PdfContent Group, IReadOnlyList<XElement> Shown)> groups)
    {
        var common = page.Select(Sign).ToList();
        var between = groups.SelectMany((g, number) => Between(common, g.Shown).Select(b => (b.At, number, g.Group, b.Element))).OrderBy(b => b.At).ThenBy(b => b.number).ToLookup(b => b.At);
        for (var i = 0; i <= page.Count; i++)
        {
            foreach (var (_, _, group, element) in between[i])
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
        foreach (var element in shown)
        {
            if (at < common.Count && Sign(element) == common[at])
            {
                at++;
            }
            else
            {
                yield return (at, element);
            }
        }
    }

    /// <summary>An element as text in which what it refers to stands itself, for every drawing counts its definitions anew.</summary>
    private static string Sign(XElement element)
    {
        var definitions = element.Document!.Descendants().Where(e => e.Attribute("id") is not null).GroupBy(e => e.Attribute("id")!.Value).ToDictionary(g => g.Key, g => g.First());
        return Write(element, 0);

        string Write(XElement e, int depth) => string.Concat([
            e.Name.LocalName, "(",
            .. e.Attributes().Where(a => !a.IsNamespaceDeclaration && a.Name.LocalName != "id").Select(a => $"{a.Name.LocalName}={Resolve(a.Value, depth)};"),
            .. e.Elements().Select(c => Write(c, depth)), ")"]);

        string Resolve(string value, int depth)
        {
            var id = value.StartsWith('#') ? value[1..] : value.IndexOf("url(#", StringComparison.Ordinal) is >= 0 and var at && value.IndexOf(')', at) is > 0 and var end ? value[(at + 5)..end] : null;
            return id is null || depth > 8 || !definitions.TryGetValue(id, out var definition) ? value : value.Replace(id, Write(definition, depth + 1), StringComparison.Ordinal);
        }
    }
}
