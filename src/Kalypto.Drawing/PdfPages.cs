using System.Collections.Immutable;
using System.Text;
using System.Xml;
using Kalypto.Core.Designs;
using Kalypto.Core.Reading;
using Kalypto.Core.Reading.Pdf;
using Kalypto.Drawing.Native;

namespace Kalypto.Drawing;

/// <summary>Draws the pages of a PDF as SVG, each group of optional content by itself, and reads the words on them.</summary>
internal static class PdfPages
{
    private const int MostPages = 200;
    private const int MostContents = 60;
    private const string Formulas = "The PDF draws a mask or gradient by a formula, which comes in otherwise than it is shown; compare it, or bring those pages in as SVG.";

    /// <summary>A PDF as an SVG drawing, with its pages as screens.</summary>
    /// <param name="file">The PDF; treated as hostile.</param>
    /// <exception cref="RenderingFailedException">It cannot be read.</exception>
    public static byte[] ToSvg(ReadOnlySpan<byte> file)
    {
        using var document = new Poppler.Document(PdfGroups.AsOptional(file, out var hasFormulas));
        if (document.Pages is 0 or > MostPages)
        {
            throw new RenderingFailedException(document.Pages == 0 ? "The PDF has no pages" : $"The PDF has {document.Pages} pages; {MostPages} is the most");
        }
        var layers = document.Layers();
        if (layers.Count > MostContents)
        {
            // So many are hardly layers of a design; the page is taken as it is shown.
            layers = [];
        }
        var (pages, length) = (new List<PdfPage>(), 0L);
        for (var i = 0; i < document.Pages; i++)
        {
            using var page = document.Page(i);
            var own = Draw(page, null);
            var contents = layers.Select(layer => new PdfContent(layer.Title, layer.IsVisible, Draw(page, layer))).Where(c => c.Svg != own).ToImmutableArray();
            length += own.Length + contents.Sum(c => (long)c.Svg.Length);
            if (length > ReadingLimits.Default.Bytes)
            {
                throw new RenderingFailedException($"The pages of the PDF come to more than {ReadingLimits.Default.Bytes / 1_000_000} MB");
            }
            pages.Add(new(page.Size.Width, page.Size.Height, own, Lines(page), contents));
        }
        try
        {
            return Encoding.UTF8.GetBytes(PdfDrawing.Write(pages, hasFormulas ? Formulas : null));
        }
        catch (XmlException e)
        {
            throw new RenderingFailedException($"The pages of the PDF cannot be drawn as shapes: {e.Message}");
        }

        string Draw(Poppler.Page page, Poppler.Layer? shown)
        {
            foreach (var layer in layers)
            {
                layer.Show(layer == shown);
            }
            var (width, height) = page.Size;
            using var surface = new Cairo.StreamSurface(Cairo.VectorKind.Svg, width, height);
            using (var context = new Cairo.Context(surface))
            {
                page.Render(context);
            }
            return Encoding.UTF8.GetString(surface.Finish());
        }
    }

    private static ImmutableArray<PdfLine> Lines(Poppler.Page page)
    {
        var lines = ImmutableArray.CreateBuilder<PdfLine>();
        var (words, box) = (new StringBuilder(), (Box?)null);
        foreach (var (letter, left, top, right, bottom) in page.Letters().Append((new Rune('\n'), 0, 0, 0, 0)))
        {
            if (letter.Value != '\n')
            {
                words.Append(letter);
                var place = Box.FromEdges(left, top, Math.Max(left, right), bottom);
                box = box is { } known ? known.Union(place) : place;
                continue;
            }
            if (words.ToString().Trim() is { Length: > 0 } text)
            {
                lines.Add(new(text, box!.Value));
            }
            words.Clear();
            box = null;
        }
        return lines.ToImmutable();
    }
}
