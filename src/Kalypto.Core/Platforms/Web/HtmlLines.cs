using System.Globalization;
using System.Text;
using System.Text.Encodings.Web;
using Kalypto.Core.Designs;
using Kalypto.Core.Formats;
using Kalypto.Core.Packing;

namespace Kalypto.Core.Platforms.Web;

/// <summary>The lines of HTML that show each picture, in all its formats and sizes (HTML, 4.8.1 to 4.8.4).</summary>
internal static class HtmlLines
{
    /// <summary>The lines, one block a picture.</summary>
    public static string Write(IEnumerable<WebPictures> pictures)
    {
        var html = new StringBuilder();
        foreach (var (files, twins) in pictures)
        {
            var fallback = WebFiles.Fallback(files);
            var size = files.First().Picture.CropFor("web")!.Box;
            var box = $"width=\"{Numbers.Text(size.Width)}\" height=\"{Numbers.Text(size.Height)}\"";
            var alt = HtmlEncoder.Default.Encode(files.Key.AltFor("web"));
            var image = $"<img src=\"{WebFiles.Relative(fallback)}\"{SrcSet(files, fallback.Format, size.Width)} {box} alt=\"{alt}\">";
            html.Append("<!-- ").Append(files.Key.Name.Replace("--", "–", StringComparison.Ordinal).TrimEnd('-')).Append(" -->\n");
            if (!fallback.BrowsersShow)
            {
                var label = alt.Length == 0 ? "role=\"presentation\"" : $"role=\"img\" aria-label=\"{alt}\"";
                html.Append(CultureInfo.InvariantCulture, $"<object type=\"{fallback.Format.MediaType}\" data=\"{WebFiles.Relative(fallback)}\" {box} {label}></object>\n\n");
                continue;
            }
            var sources = WebFiles.BestFirst.Where(f => f != fallback.Format && f != Format.Svg && files.Any(file => file.Format == f)).ToList();
            // A page chooses by the ground that its reader wants; the forms of a language and direction it names itself.
            var dark = twins.Where(t => t.Key.Twin is { IsDark: true, Language: null, IsRightToLeft: false }).SelectMany(t => t).Where(f => f.BrowsersShow).ToList();
            if (fallback.Format == Format.Svg)
            {
                sources.Clear();
            }
            Others(html, twins);
            if (sources.Count == 0 && dark.Count == 0)
            {
                html.Append(image).Append("\n\n");
                continue;
            }
            html.Append("<picture>\n");
            foreach (var format in WebFiles.BestFirst.Where(f => dark.Exists(file => file.Format == f)))
            {
                var set = format == Format.Svg ? $" srcset=\"{WebFiles.Relative(dark.First(f => f.Format == format))}\"" : SrcSet(dark, format, size.Width, always: true);
                html.Append(CultureInfo.InvariantCulture, $"  <source media=\"(prefers-color-scheme: dark)\" type=\"{format.MediaType}\"{set} {box}>\n");
            }
            foreach (var format in sources)
            {
                html.Append(CultureInfo.InvariantCulture, $"  <source type=\"{format.MediaType}\"{SrcSet(files, format, size.Width, always: true)} {box}>\n");
            }
            html.Append("  ").Append(image).Append("\n</picture>\n\n");
        }
        return html.ToString();
    }

    private static void Others(StringBuilder html, IReadOnlyList<IGrouping<Picture, PlannedFile>> twins)
    {
        foreach (var twin in twins.Where(t => t.Key.Twin is not { IsDark: true, Language: null, IsRightToLeft: false } && t.Any(f => f.BrowsersShow)))
        {
            html.Append("<!-- ").Append(twin.Key.Twin!.Name).Append(": ").Append(WebFiles.Relative(WebFiles.Fallback(twin))).Append(" -->\n");
        }
    }

    private static string SrcSet(IEnumerable<PlannedFile> files, Format format, double width, bool always = false)
    {
        var list = files.Where(f => f.Format == format && f.Format != Format.Svg).OrderBy(f => f.Scale).ToList();
        if (list.Count == 0 || list.Count == 1 && !always)
        {
            return "";
        }
        // Files of own widths are told by their width, and what of the page they fill; the others by their scale.
        var isScales = list.TrueForAll(WebFiles.IsScale);
        var sizes = isScales ? "" : $" sizes=\"(max-width: {Numbers.Text(width)}px) 100vw, {Numbers.Text(width)}px\"";
        return $" srcset=\"{string.Join(", ", list.Select(f => $"{WebFiles.Relative(f)} {(isScales ? f.Scale.ToString() : $"{f.Width}w")}"))}\"{sizes}";
    }
}
