using System.Text;

namespace Kalypto.Core.Formats;

/// <summary>What a project writes into the files that carry its credit.</summary>
/// <param name="Copyright">The copyright line; empty for none.</param>
/// <param name="Author">Who made it; empty for none.</param>
/// <param name="Contact">Where to ask: an address of the web or of mail; empty for none.</param>
public sealed record CreditLines(string Copyright, string Author, string Contact)
{
    /// <summary>The longest line, in characters.</summary>
    public const int Longest = 200;

    /// <summary>Nothing to write.</summary>
    public static CreditLines None { get; } = new("", "", "");

    /// <summary>True when there is nothing to write.</summary>
    public bool IsEmpty => Copyright.Length + Author.Length + Contact.Length == 0;

    /// <summary>The lines as an XMP packet (ISO 16684-1). The names in it are those that the standard asks for.</summary>
    public string ToXmp() => $"<?xpacket begin=\"\ufeff\" id=\"W5M0MpCehiHzreSzNTczkc9d\"?>\n{ToXmpMeta()}\n<?xpacket end=\"r\"?>";

    /// <summary>The element in the packet: <c>dc:rights</c>, <c>dc:creator</c> and the address to ask at.</summary>
    public string ToXmpMeta()
    {
        var xmp = new StringBuilder("<x:xmpmeta xmlns:x=\"adobe:ns:meta/\">")
            .Append("<rdf:RDF xmlns:rdf=\"http://www.w3.org/1999/02/22-rdf-syntax-ns#\"><rdf:Description rdf:about=\"\" xmlns:dc=\"http://purl.org/dc/elements/1.1/\"")
            .Append(" xmlns:xmpRights=\"http://ns.adobe.com/xap/1.0/rights/\">");
        if (Copyright.Length > 0)
        {
            xmp.Append("<dc:rights><rdf:Alt><rdf:li xml:lang=\"x-default\">").Append(Escape(Copyright)).Append("</rdf:li></rdf:Alt></dc:rights>");
            xmp.Append("<xmpRights:Marked>True</xmpRights:Marked>");
        }
        if (Author.Length > 0)
        {
            xmp.Append("<dc:creator><rdf:Seq><rdf:li>").Append(Escape(Author)).Append("</rdf:li></rdf:Seq></dc:creator>");
        }
        if (Contact.Length > 0)
        {
            xmp.Append("<xmpRights:WebStatement>").Append(Escape(Contact)).Append("</xmpRights:WebStatement>");
        }
        return xmp.Append("</rdf:Description></rdf:RDF></x:xmpmeta>").ToString();
    }

    /// <summary>The lines as the metadata of an SVG file, in as few characters as say it (SVG 2, 5.10; DCMI Metadata Terms: <c>rights</c>, <c>creator</c>, <c>source</c>).</summary>
    public string ToMetadata()
    {
        static string Line(string name, string line) => line.Length == 0 ? "" : $"<dc:{name}>{Escape(line)}</dc:{name}>";
        return $"<metadata xmlns:dc=\"http://purl.org/dc/elements/1.1/\">{Line("rights", Copyright)}{Line("creator", Author)}{Line("source", Contact)}</metadata>";
    }

    /// <summary>The lines in ASCII, with the nearest letter for every other one, for formats that hold no more.</summary>
    public CreditLines ToAscii() => new(Ascii(Copyright), Ascii(Author), Ascii(Contact));

    private static string Ascii(string line) => new([.. line.Replace("©", "(c)", StringComparison.Ordinal).Replace("ß", "ss", StringComparison.Ordinal)
        .Normalize(NormalizationForm.FormD).Where(char.IsAscii)]);

    /// <summary>The lines as one, for formats that hold a comment.</summary>
    public override string ToString() => string.Join(" · ", new[] { Copyright, Author, Contact }.Where(l => l.Length > 0));

    private static string Escape(string text) => System.Security.SecurityElement.Escape(text);
}
