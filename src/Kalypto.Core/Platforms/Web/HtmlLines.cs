using System.Globalization;
using System.Text;
using Kalypto.Core.Formats;
using Kalypto.Core.Packing;

namespace Kalypto.Core.Platforms.Web;

/// <summary>The lines of HTML that show each picture, in all its formats and sizes (HTML, 4.8.2 and 4.8.4).</summary>
internal static class HtmlLines
{
    /// <summary>The lines, one block a picture.</summary>
    public static string Write(IEnumerable<IGrouping<Picture, PlannedFile>> pictures)
    {
        var html = new StringBuilder();
        foreach (var files in pictures)
        {
            var fallback = WebFiles.Fallback(files);
            var size = files.First().Picture.CropFor("web")!.Box;
            var image = $"<img src=\"{WebFiles.Relative(fallback)}\"{SrcSet(files, fallback.Format)} width=\"{Designs.Numbers.Text(size.Width)}\" height=\"{Designs.Numbers.Text(size.Height)}\" alt=\"\">";
            html.Append("<!-- ").Append(files.Key.Name.Replace("--", "–", StringComparison.Ordinal)).Append(" -->\n");
            if (!fallback.BrowsersShow)
            {
                html.Append(CultureInfo.InvariantCulture, $"<object type=\"{fallback.Format.MediaType}\" data=\"{WebFiles.Relative(fallback)}\" width=\"{Designs.Numbers.Text(size.Width)}\" height=\"{Designs.Numbers.Text(size.Height)}\" role=\"img\" aria-label=\"\"></object>\n\n");
                continue;
            }
            var sources = WebFiles.BestFirst.Where(f => f != fallback.Format && f != Format.Svg && files.Any(file => file.Format == f)).ToList();
            if (sources.Count == 0 || fallback.Format == Format.Svg)
            {
                html.Append(image).Append("\n\n");
                continue;
            }
            html.Append("<picture>\n");
            foreach (var format in sources)
            {
                html.Append(CultureInfo.InvariantCulture, $"  <source type=\"{format.MediaType}\"{SrcSet(files, format, always: true)}>\n");
            }
            html.Append("  ").Append(image).Append("\n</picture>\n\n");
        }
        return html.ToString();
    }

    private static string SrcSet(IEnumerable<PlannedFile> files, Format format, bool always = false)
    {
        var list = files.Where(f => f.Format == format && f.Format != Format.Svg).OrderBy(f => f.Scale).ToList();
        if (list.Count == 0 || list.Count == 1 && !always)
        {
            return "";
        }
        // Files of own widths are told by their width; the others by their scale.
        return $" srcset=\"{string.Join(", ", list.Select(f => $"{WebFiles.Relative(f)} {(list.All(WebFiles.IsScale) ? f.Scale.ToString() : $"{f.Width}w")}"))}\"";
    }
}
