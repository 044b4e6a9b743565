using System.Globalization;
using Kalypto.Core.Reading.Pdf;
using Kalypto.Drawing.Native;

namespace Kalypto.Drawing;

/// <summary>
/// Makes groups that are marked in a PDF and say what they are into groups of optional content, so that they are drawn and read one
/// by one: those with a title, figures, and tags that are not those of a text's structure (ISO 32000-1, 14.6 to 14.8).
/// </summary>
internal static class PdfGroups
{
    /// <summary>More groups than this, of all pages together, are hardly layers of a design.</summary>
    public const int Most = 60;

    // Each group is drawn on each page.
    private const int MostDrawn = 600;
    private const int MostNodes = 100_000;
    private const int LongestName = 80;
    private const string Figure = "Figure";

    // The parts of a text, and what is no part of the page at all (14.8.4, 14.8.2.2).
    private static readonly HashSet<string> OfTexts = new(StringComparer.Ordinal)
    {
        "Document", "DocumentFragment", "Part", "Art", "Sect", "Div", "BlockQuote", "Caption", "TOC", "TOCI", "Index", "NonStruct", "Private", "P", "H", "H1", "H2", "H3", "H4", "H5", "H6",
        "L", "LI", "Lbl", "LBody", "Table", "TR", "TH", "TD", "THead", "TBody", "TFoot", "Span", "Quote", "Note", "Reference", "BibEntry", "Code", "Link", "Annot", "Ruby", "RB", "RT", "RP",
        "Warichu", "WT", "WP", "Formula", "Form", "Artifact", "Tx", "Clip", "ReversedChars", "Title", "Sub", "Em", "Strong", "Aside", "FENote", "",
    };

    private sealed record Found(Qpdf.Item Group, string Name);

    /// <summary>The PDF with its groups as optional content; as it is where none is told, or it has too many.</summary>
    /// <param name="file">The PDF; treated as hostile.</param>
    /// <param name="hasFormulas">Whether it draws something by formulas.</param>
    public static ReadOnlySpan<byte> AsOptional(ReadOnlySpan<byte> file, out bool hasFormulas)
    {
        hasFormulas = false;
        try
        {
            using var pdf = new Qpdf.Document(file);
            hasFormulas = PdfFormulas.AreIn(pdf);
            return Rewrite(pdf) ? pdf.Write() : file;
        }
        catch (RenderingFailedException)
        {
            // Whoever draws it says what is wrong with it, or mends it.
            return file;
        }
    }

    private static bool Rewrite(Qpdf.Document pdf)
    {
        var elements = ElementsOf(pdf.Root["StructTreeRoot"]);
        var groups = new Dictionary<string, Found>(StringComparer.Ordinal);
        var contents = new List<(Qpdf.Item Page, byte[] Content, Dictionary<string, Found> Groups)>();
        for (var i = 0; i < pdf.Pages; i++)
        {
            var (page, own) = (pdf.Page(i), new Dictionary<string, Found>(StringComparer.Ordinal));
            var resources = ResourcesOf(page);
            var content = MarkedContent.ToOptional(pdf.ContentOf(page), (tag, properties) =>
            {
                var said = properties.StartsWith('/') ? resources["Properties"][properties[1..]] : properties.StartsWith("<<", StringComparison.Ordinal) ? pdf.Parse(properties) : default(Qpdf.Item?);
                var element = said?["MCID"].Number is { } number ? elements.GetValueOrDefault((page.ObjectNumber, number)) : null;
                if ((TitleOf(said) ?? element?.Title ?? TitleOf(tag, element)) is not { } title)
                {
                    return null;
                }
                // All that is marked as one element is one group; what is no element stands by itself.
                var key = element is null ? $"{groups.Count}" : $"element {element.Number}";
                if (!groups.TryGetValue(key, out var found))
                {
                    var group = pdf.Parse("<< /Type /OCG >>");
                    group.Set("Name", pdf.Text(title));
                    groups.Add(key, found = new(pdf.Indirect(group), string.Create(CultureInfo.InvariantCulture, $"Marked{groups.Count}")));
                }
                own[found.Name] = found;
                return found.Name;
            });
            if (content is not null)
            {
                contents.Add((page, content, own));
            }
        }
        if (groups.Count is 0 or > Most || groups.Count * pdf.Pages > MostDrawn)
        {
            return false;
        }
        foreach (var (page, content, own) in contents)
        {
            page.Set("Contents", pdf.Stream(content));
            var resources = ResourcesOf(page);
            if (!resources.IsDictionary)
            {
                page.Set("Resources", pdf.Parse("<< >>"));
                resources = page["Resources"];
            }
            if (!resources["Properties"].IsDictionary)
            {
                resources.Set("Properties", pdf.Parse("<< >>"));
            }
            foreach (var (group, name) in own.Values)
            {
                resources["Properties"].Set(name, group);
            }
        }
        Register(pdf, groups.Values.Select(g => g.Group));
        return true;
    }

    /// <summary>Groups of optional content are listed in the catalog, and in the order in which they are offered.</summary>
    private static void Register(Qpdf.Document pdf, IEnumerable<Qpdf.Item> groups)
    {
        if (!pdf.Root["OCProperties"].IsDictionary)
        {
            pdf.Root.Set("OCProperties", pdf.Parse("<< /OCGs [] /D << /Order [] >> >>"));
        }
        var properties = pdf.Root["OCProperties"];
        foreach (var (holder, key) in new[] { (properties, "OCGs"), (properties["D"], "Order") })
        {
            if (holder.IsDictionary && !holder[key].IsArray)
            {
                holder.Set(key, pdf.Parse("[]"));
            }
        }
        foreach (var group in groups)
        {
            properties["OCGs"].Add(group);
            properties["D"]["Order"].Add(group);
        }
    }

    private static string? TitleOf(Qpdf.Item? said) => said is not { IsDictionary: true } dictionary ? null : Plain(dictionary["Title"].Text) ?? Plain(dictionary["Name"].Text) ?? Plain(dictionary["T"].Text) ?? Plain(dictionary["Alt"].Text);

    private static string? TitleOf(string tag, Element? element) => element?.Type == Figure ? Figure : OfTexts.Contains(tag) ? null : Plain(tag);

    private static string? Plain(string? text) => text is null || new string([.. text.Where(c => !char.IsControl(c))]).Trim() is not { Length: > 0 } name ? null : name.Length > LongestName ? name[..LongestName] : name;

    internal static Qpdf.Item ResourcesOf(Qpdf.Item page)
    {
        // They may be those of what holds the pages.
        for (var (holder, depth) = (page, 0); ; (holder, depth) = (holder["Parent"], depth + 1))
        {
            if (holder["Resources"].IsDictionary || depth > 20 || !holder["Parent"].IsDictionary)
            {
                return holder["Resources"];
            }
        }
    }

    private sealed record Element(int Number, string Type, string? Title);

    /// <summary>The elements of the structure by the page and number of what is marked as theirs.</summary>
    private static Dictionary<(int Page, int Number), Element> ElementsOf(Qpdf.Item root)
    {
        var found = new Dictionary<(int, int), Element>();
        var open = new Stack<(Qpdf.Item Item, int Page, Element? Of)>();
        open.Push((root["K"], 0, null));
        for (var count = 0; count < MostNodes && open.TryPop(out var at); count++)
        {
            var (item, page, of) = at;
            if (item.Number is { } number && of is not null)
            {
                found.TryAdd((page, number), of);
            }
            for (var i = item.Count - 1; i >= 0 && open.Count < MostNodes; i--)
            {
                open.Push((item[i], page, of));
            }
            if (item.IsDictionary)
            {
                page = item["Pg"].IsDictionary ? item["Pg"].ObjectNumber : page;
                if (item["MCID"].Number is { } marked && of is not null)
                {
                    found.TryAdd((page, marked), of);
                }
                else if (item["S"].Text is { } type)
                {
                    // What lies in something that is told is part of it.
                    open.Push((item["K"], page, of is { Title: not null } or { Type: Figure } ? of : new(count, type, Plain(item["T"].Text) ?? (type == Figure ? Plain(item["Alt"].Text) : null))));
                }
            }
        }
        return found;
    }
}
