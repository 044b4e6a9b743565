using System.Globalization;
using System.Text;
using Kalypto.Core.Formats;
using Kalypto.Core.Packing;

namespace Kalypto.Core.Platforms.Web;

/// <summary>The rules of CSS that show each picture as a background (CSS Images level 4, 2.4).</summary>
internal static class CssLines
{
    /// <summary>The rules, one a picture that browsers show.</summary>
    public static string Write(IEnumerable<IGrouping<Picture, PlannedFile>> pictures)
    {
        var css = new StringBuilder();
        foreach (var files in pictures.Where(p => WebFiles.Fallback(p).BrowsersShow))
        {
            var fallback = WebFiles.Fallback(files);
            css.Append(CultureInfo.InvariantCulture, $".{WebFiles.ClassOf(fallback)} {{\n  background-image: url(\"{WebFiles.Relative(fallback)}\");\n");
            var set = WebFiles.BestFirst.SelectMany(f => files.Where(file => file.Format == f && file.Ask.Format.Format != Format.Svg)).Where(WebFiles.IsScale).ToList();
            if (set.Count > 1 && fallback.Format != Format.Svg)
            {
                css.Append("  background-image: image-set(\n    ").AppendJoin(",\n    ", set.Select(f => $"url(\"{WebFiles.Relative(f)}\") {f.Scale} type(\"{f.Format.MediaType}\")")).Append(");\n");
            }
            css.Append("}\n\n");
        }
        return css.ToString();
    }
}
