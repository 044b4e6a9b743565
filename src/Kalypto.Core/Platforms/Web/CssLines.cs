using System.Globalization;
using System.Text;
using Kalypto.Core.Designs;
using Kalypto.Core.Formats;
using Kalypto.Core.Packing;

namespace Kalypto.Core.Platforms.Web;

/// <summary>The rules of CSS that show each picture as a box of its size (CSS Images level 4, 2.4; CSS Masking level 1, 7).</summary>
internal static class CssLines
{
    /// <summary>The rules, one a picture that browsers show.</summary>
    public static string Write(IEnumerable<WebPictures> pictures)
    {
        var css = new StringBuilder();
        foreach (var (files, twins) in pictures.Where(p => WebFiles.Fallback(p.Files).BrowsersShow))
        {
            var fallback = WebFiles.Fallback(files);
            var size = files.Key.CropFor("web")!.Box;
            var name = WebFiles.ClassOf(fallback);
            css.Append(CultureInfo.InvariantCulture, $".{name} {{\n  width: {Numbers.Text(size.Width)}px;\n  height: {Numbers.Text(size.Height)}px;\n");
            css.Append(Shown(files)).Append("}\n\n");
            // The more a form says, the later it stands, for of equal rules the last holds.
            foreach (var twin in twins.Where(t => WebFiles.Fallback(t).BrowsersShow).OrderBy(t => t.Key.Twin!.ToString().Count(c => c == ',')).ThenBy(t => t.Key.Twin!.ToString(), StringComparer.Ordinal))
            {
                var form = twin.Key.Twin!;
                var selector = $"{(form.IsRightToLeft ? "[dir=\"rtl\"] " : "")}.{name}{(form.Language is { } language ? $":lang({language})" : "")}";
                var rule = $"{selector} {{\n{Shown(twin)}}}\n";
                css.Append(form.IsDark ? $"@media (prefers-color-scheme: dark) {{\n{Indented(rule)}}}\n\n" : rule + "\n");
            }
            if (files.Key.MakingFor("web").Mirror)
            {
                css.Append(CultureInfo.InvariantCulture, $"[dir=\"rtl\"] .{name} {{\n  transform: scaleX(-1);\n}}\n\n");
            }
        }
        return css.ToString();
    }

    private static string Shown(IGrouping<Picture, PlannedFile> files)
    {
        var fallback = WebFiles.Fallback(files);
        var address = $"url(\"{WebFiles.Relative(fallback)}\")";
        // A background is a document of its own, which knows no colour of the text around it.
        return fallback.TakesColour ? $"  background: currentcolor;\n  mask: {address} no-repeat 0 0 / 100% 100%;\n"
            : $"  background: {address} no-repeat 0 0 / 100% 100%;\n{ImageSet(files, fallback)}";
    }

    private static string Indented(string rule) => string.Concat(rule.Split('\n', StringSplitOptions.RemoveEmptyEntries).Select(line => $"  {line}\n"));

    private static string ImageSet(IEnumerable<PlannedFile> files, PlannedFile fallback)
    {
        // A set chooses by density alone; of files of own widths the widest says how many px a point it has.
        var all = WebFiles.BestFirst.Where(f => f != Format.Svg).SelectMany(f => files.Where(file => file.Format == f)).ToList();
        var set = all.Where(WebFiles.IsScale).Select(f => (File: f, Density: f.Scale.ToString())).ToList();
        return set.Count <= 1 || fallback.Format == Format.Svg ? ""
            : $"  background-image: image-set(\n    {string.Join(",\n    ", set.Select(f => $"url(\"{WebFiles.Relative(f.File)}\") {f.Density} type(\"{f.File.Format.MediaType}\")"))}\n  );\n";
    }
}
