using System.Globalization;
using Kalypto.Core.Formats;
using Kalypto.Drawing.Native;

namespace Kalypto.Drawing;

/// <summary>
/// A PDF that a browser printed, as a file of one page of the size that is asked for. What is on the page stays as the browser wrote
/// it: drawn anew by another library, masks, repeating gradients and thin lines would be others.
/// </summary>
internal static class PrintedPdf
{
    // What makes a page one of a text, or an application: none of a picture.
    private static readonly string[] OfDocuments = ["StructTreeRoot", "MarkInfo", "Outlines", "ViewerPreferences", "Lang", "Metadata"];
    private static readonly string[] OfPages = ["Annots", "StructParents", "Tabs", "CropBox", "TrimBox", "BleedBox", "ArtBox"];

    /// <summary>Writes the file, without a date, so that equal pages give equal bytes.</summary>
    /// <param name="printed">The PDF.</param>
    /// <param name="width">The width of the page in pt.</param>
    /// <param name="height">The height of the page in pt.</param>
    /// <param name="times">How many times larger than printed it is to be.</param>
    /// <param name="credit">Lines that the file carries.</param>
    /// <exception cref="RenderingFailedException">It is no such PDF.</exception>
    public static byte[] Again(ReadOnlySpan<byte> printed, double width, double height, double times, CreditLines credit)
    {
        using var pdf = new Qpdf.Document(printed);
        if (pdf.Pages != 1 || pdf.Page(0) is var page && page["MediaBox"].Count != 4)
        {
            throw new RenderingFailedException("The browser printed no page");
        }
        // The paper is larger than the page to the right and below, and PDF counts from below. As a form of its own, for patterns
        // count from the content that they stand in, whatever that is scaled by (ISO 32000-1, 8.7.2).
        var (wide, paper) = (page["MediaBox"][2].Real, page["MediaBox"][3].Real);
        var form = pdf.Stream(pdf.ContentOf(page));
        foreach (var (key, text) in new[]
        {
            ("Type", "/XObject"), ("Subtype", "/Form"), ("BBox", string.Create(CultureInfo.InvariantCulture, $"[0 0 {wide:0.######} {paper:0.######}]")),
            ("Matrix", string.Create(CultureInfo.InvariantCulture, $"[{times:0.######} 0 0 {times:0.######} 0 {height - paper * times:0.######}]")),
        })
        {
            form.Set(key, pdf.Parse(text));
        }
        form.Set("Resources", PdfGroups.ResourcesOf(page));
        page.Set("Contents", pdf.Stream("/Printed Do"u8));
        page.Set("Resources", pdf.Parse("<< /XObject << >> >>"));
        page["Resources"]["XObject"].Set("Printed", form);
        page.Set("MediaBox", pdf.Parse(string.Create(CultureInfo.InvariantCulture, $"[0 0 {width:0.######} {height:0.######}]")));
        foreach (var key in OfPages)
        {
            page.Remove(key);
        }
        foreach (var key in OfDocuments)
        {
            pdf.Root.Remove(key);
        }
        pdf.Trailer.Remove("Info");
        if (!credit.IsEmpty)
        {
            var info = pdf.Parse("<< >>");
            info.Set("Author", pdf.Text(credit.Author.Length > 0 ? credit.Author : credit.Copyright));
            info.Set("Subject", pdf.Text(credit.ToString()));
            pdf.Trailer.Set("Info", pdf.Indirect(info));
        }
        return pdf.Write();
    }
}
