using System.Text;
using System.Text.RegularExpressions;
using Kalypto.Core.Formats;
using Kalypto.Drawing.Encoders;
using Kalypto.Drawing.Native;

namespace Kalypto.Drawing;

/// <summary>Draws a document into a file of shapes instead of pixels.</summary>
internal static partial class Vectors
{
    /// <summary>A PDF of one page. Fonts are embedded; no date is written, so that equal input gives equal bytes.</summary>
    /// <param name="document">The document.</param>
    /// <param name="width">The width of the page in pt.</param>
    /// <param name="height">The height of the page in pt.</param>
    /// <param name="margin">pt that the document shows more on each side; they are cut off.</param>
    /// <param name="credit">Lines that the file carries.</param>
    public static byte[] Pdf(string document, double width, double height, double margin, CreditLines credit) => Pdf(width, height, credit, surface => Draw(document, surface, width, height, margin));

    /// <summary>A PDF that a browser printed, written as all others here are: with its lines and without a date.</summary>
    /// <param name="printed">The PDF.</param>
    /// <param name="width">The width of the page in pt.</param>
    /// <param name="height">The height of the page in pt.</param>
    /// <param name="times">How many times larger than printed it is to be.</param>
    /// <param name="credit">Lines that the file carries.</param>
    /// <param name="isOutlined">True to turn its letters into outlines, for fonts that must not be embedded.</param>
    public static byte[] PdfAgain(ReadOnlySpan<byte> printed, double width, double height, double times, CreditLines credit, bool isOutlined) =>
        isOutlined ? Pdf(Encoding.UTF8.GetString(OutlinesOf(printed, width, height, times)), width, height, 0, credit) : PrintedPdf.Again(printed, width, height, times, credit);

    /// <summary>The document as an SVG of plain paths: texts are outlines, styles and repeats are gone.</summary>
    public static byte[] Outlines(string document, double width, double height, double margin = 0)
    {
        using var surface = new Cairo.StreamSurface(Cairo.VectorKind.Svg, width, height);
        Draw(document, surface, width, height, margin);
        return surface.Finish();
    }

    /// <summary>A PDF that a browser printed, as an SVG of plain paths.</summary>
    public static byte[] OutlinesOf(ReadOnlySpan<byte> printed, double width, double height, double times)
    {
        using var source = new Poppler.Document(printed);
        using var page = source.Page(0);
        using var outlines = new Cairo.StreamSurface(Cairo.VectorKind.Svg, width, height);
        Draw(page, outlines, times);
        return outlines.Finish();
    }

    private static byte[] Pdf(double width, double height, CreditLines credit, Action<Cairo.StreamSurface> draw)
    {
        using var surface = new Cairo.StreamSurface(Cairo.VectorKind.Pdf, width, height);
        if (!credit.IsEmpty)
        {
            surface.SetMetadata(Cairo.Metadata.Author, credit.Author.Length > 0 ? credit.Author : credit.Copyright);
            surface.SetMetadata(Cairo.Metadata.Subject, credit.ToString());
        }
        draw(surface);
        var text = Encoding.Latin1.GetString(surface.Finish());
        // Blanks of the same length: the table of the file counts bytes.
        return Encoding.Latin1.GetBytes(CreationDate().Replace(text, m => new string(' ', m.Length)));
    }

    private static void Draw(Poppler.Page page, Cairo.StreamSurface surface, double times)
    {
        using var context = new Cairo.Context(surface);
        context.Scale(times);
        page.Render(context);
    }

    private static void Draw(string document, Cairo.StreamSurface surface, double width, double height, double margin)
    {
        using var handle = new Rsvg.Handle(PlainPictures.In(document));
        using var context = new Cairo.Context(surface);
        handle.Render(context, width, height, margin);
    }

    [GeneratedRegex(@"/(CreationDate|ModDate) \([^)]*\)")]
    private static partial Regex CreationDate();
}
