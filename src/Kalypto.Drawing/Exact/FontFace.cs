using System.Globalization;
using System.Text;
using Kalypto.Core.Fonts;

namespace Kalypto.Drawing.Exact;

/// <summary>A font of a project, as it is given to the browser.</summary>
/// <param name="Font">What is known of it.</param>
/// <param name="File">TTF or OTF.</param>
internal sealed record FontFace(Font Font, byte[] File)
{
    /// <summary>Where the browser finds it, below the address of the documents.</summary>
    public string AddressAt(string origin) => $"{origin}{Font.Sha256}";

    /// <summary>A document that knows some fonts, which go before those of the system.</summary>
    /// <param name="svg">The document.</param>
    /// <param name="fonts">The fonts.</param>
    /// <param name="origin">The address below which they are found; null to write them into the document.</param>
    /// <param name="rules">Other rules of CSS that hold in the document.</param>
    public static string AddTo(string svg, IReadOnlyList<FontFace> fonts, string? origin, string rules = "")
    {
        if (fonts.Count == 0 && rules.Length == 0)
        {
            return svg;
        }
        // Behind the root's own tag. In the values of attributes ">" stands as a reference, for documents are written here.
        var root = svg.IndexOf("<svg", StringComparison.Ordinal);
        var end = root < 0 ? -1 : svg.IndexOf('>', root);
        return end < 0 || svg[end - 1] == '/' ? svg : $"{svg[..(end + 1)]}<style>{rules}{string.Concat(fonts.SelectMany(f => f.Rules(origin)))}</style>{svg[(end + 1)..]}";
    }

    // CSS Fonts 4, section 4: one rule for each name that texts may ask for.
    private IEnumerable<string> Rules(string? origin) =>
        Font.Names.Select(name => (Name: name, Font.Lightest, Font.Heaviest)).Concat(Font.Instances.Select(i => (i.Name, Lightest: i.Weight, Heaviest: i.Weight)))
            .Select(n => string.Create(CultureInfo.InvariantCulture, $"@font-face{{font-family:\"{Plain(n.Name)}\";src:url({(origin is null ? $"data:font/sfnt;base64,{Convert.ToBase64String(File)}" : AddressAt(origin))});font-weight:{n.Lightest}{(n.Heaviest > n.Lightest ? $" {n.Heaviest}" : "")};font-stretch:{Font.Stretch}%;font-style:{(Font.IsItalic ? "italic" : "normal")}}}"));

    private static string Plain(string name) => new StringBuilder(name).Replace("\\", "").Replace("\"", "").Replace("<", "").Replace("&", "").ToString();
}
