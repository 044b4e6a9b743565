using System.Globalization;
using System.Text;
using System.Text.Encodings.Web;
using System.Text.Json;
using System.Text.Json.Nodes;
using Kalypto.Core.Exporting;
using Kalypto.Core.Formats;
using Kalypto.Core.Naming;
using Kalypto.Core.Packing;
using Kalypto.Core.Tagging;

namespace Kalypto.Core.Platforms;

/// <summary>
/// The web: <c>name.png</c>, <c>name@2x.png</c>, with the lines of HTML and CSS that use them, one sprite of all SVG, and the
/// icons of a site (HTML, 4.8.4; CSS Images level 4; Web Application Manifest).
/// </summary>
public sealed class Web : IPlatform
{
    private static readonly Scale[] Usual = [new(1), new(2), new(3)];
    private static readonly JsonSerializerOptions Json = new() { WriteIndented = true, NewLine = "\n", Encoder = JavaScriptEncoder.UnsafeRelaxedJsonEscaping };

    // A browser takes the first that it knows, so the smallest come first.
    private static readonly Format[] BestFirst = [Format.Svg, Format.Avif, Format.WebP, Format.Jpeg, Format.Png, Format.Png8, Format.Gif];

    /// <inheritdoc/>
    public string Id => "web";

    /// <inheritdoc/>
    public string Name => "Web";

    /// <inheritdoc/>
    public string Scales => "1·2·3x";

    /// <inheritdoc/>
    public bool Takes(Format format) => format != Format.Vector;

    /// <inheritdoc/>
    public string Join(IReadOnlyList<string> words) => NameWords.Join(words, "-", PlatformNames.Longest);

    /// <inheritdoc/>
    public string? Refusal(string name) => FileSystems.Refusal(name);

    /// <inheritdoc/>
    public string Accepted(string name) => FileSystems.Accepted(name, "-");

    /// <inheritdoc/>
    public string Place(Picture picture, string name) => picture.MakingFor(Id) is var making && making.Kind == Kinds.AppIcon ? "web/site icons"
        : $"web/{(making.Folder.IsEmpty ? "" : making.FolderPath + "/")}{name}";

    /// <inheritdoc/>
    public IEnumerable<FileAsk> FilesOf(PictureAsk ask)
    {
        if (ask.Making.Kind == Kinds.AppIcon)
        {
            return SiteIcons(ask);
        }
        var path = $"web/{ask.Folder}{ask.Name}";
        return Sized.Files(ask, Takes, ask.Making.ScalesOr(Usual),
            (_, scale, ending) => $"{path}{(scale.Factor == 1 ? "" : $"@{scale}")}{ending}", (_, size, ending) => $"{path}-{size}{ending}", (_, ending) => path + ending, links: true);
    }

    /// <inheritdoc/>
    public IEnumerable<SideFile> SideFiles(PlatformPack pack)
    {
        var icons = pack.Files.Where(IsSiteIcon).ToList();
        if (icons.Count > 0)
        {
            yield return new(Id, "web/site.webmanifest", () => SiteManifest(icons));
            yield return new(Id, "web/site-icons.html", HeadLines);
        }
        var pictures = pack.Files.Where(f => !IsSiteIcon(f) && !f.IsLinked && f.Format != Format.Pdf && f.Format != Format.Ico).GroupBy(f => f.Picture).ToList();
        if (pictures.Count == 0)
        {
            yield break;
        }
        yield return new(Id, "web/pictures.html", () => HtmlLines(pictures));
        yield return new(Id, "web/pictures.css", () => CssLines(pictures));
        yield return CodeNames.TypeScript(Id, "web/pictures.ts", this, pictures.Select(p => (p.Key, this.NameOf(p.Key), Relative(Fallback(p)))));
        var vectors = pack.Files.Where(f => f.Format == Format.Svg && f.Picture.MakingFor(Id).Kind is "icon" or "logo").ToList();
        if (vectors.Count > 0)
        {
            yield return new(Id, "web/sprite.svg", () => SvgSprite.Write(vectors.Select(v => (SymbolOf(v), pack.SvgOf(v)))));
        }
    }

    private static IEnumerable<FileAsk> SiteIcons(PictureAsk ask)
    {
        yield return FileAsk.Square("web/favicon.ico", new(Format.Ico), 48, ask.Crop);
        // What is transparent shows black on a home screen, so a colour lies under it.
        yield return Sized.Square("web/apple-touch-icon.png", 180, ask, opaque: true);
        yield return Sized.Square("web/icon-192.png", 192, ask);
        yield return Sized.Square("web/icon-512.png", 512, ask);
        // Masks keep the middle circle of 80 % (Web Application Manifest, purpose “maskable”).
        yield return Sized.Square("web/icon-512-maskable.png", 512, ask, share: 0.8, opaque: true);
    }

    private static bool IsSiteIcon(PlannedFile file) => file.Picture.MakingFor("web").Kind == Kinds.AppIcon;

    private static string SiteManifest(List<PlannedFile> icons) => new JsonObject
    {
        ["icons"] = new JsonArray([.. icons.Where(i => i.Path.Contains("/icon-", StringComparison.Ordinal)).Select(i => new JsonObject
        {
            ["src"] = Relative(i),
            ["sizes"] = $"{i.Width}x{i.Height}",
            ["type"] = i.Format.MediaType,
            ["purpose"] = i.Path.Contains("maskable", StringComparison.Ordinal) ? "maskable" : "any",
        })]),
    }.ToJsonString(Json) + "\n";

    private static string HeadLines() =>
        "<link rel=\"icon\" href=\"favicon.ico\" sizes=\"48x48\">\n<link rel=\"apple-touch-icon\" href=\"apple-touch-icon.png\">\n<link rel=\"manifest\" href=\"site.webmanifest\">\n";

    private static string HtmlLines(IEnumerable<IGrouping<Picture, PlannedFile>> pictures)
    {
        var html = new StringBuilder();
        foreach (var files in pictures)
        {
            var fallback = Fallback(files);
            var size = files.First().Picture.CropFor("web")!.Box;
            var image = $"<img src=\"{Relative(fallback)}\"{SrcSet(files, fallback.Format, " srcset")} width=\"{Designs.Numbers.Text(size.Width)}\" height=\"{Designs.Numbers.Text(size.Height)}\" alt=\"\">";
            html.Append("<!-- ").Append(files.Key.Name.Replace("--", "–", StringComparison.Ordinal)).Append(" -->\n");
            if (!fallback.BrowsersShow)
            {
                html.Append(CultureInfo.InvariantCulture, $"<object type=\"{fallback.Format.MediaType}\" data=\"{Relative(fallback)}\" width=\"{Designs.Numbers.Text(size.Width)}\" height=\"{Designs.Numbers.Text(size.Height)}\" role=\"img\" aria-label=\"\"></object>\n\n");
                continue;
            }
            var sources = BestFirst.Where(f => f != fallback.Format && f != Format.Svg && files.Any(file => file.Format == f)).ToList();
            if (sources.Count == 0 || fallback.Format == Format.Svg)
            {
                html.Append(image).Append("\n\n");
                continue;
            }
            html.Append("<picture>\n");
            foreach (var format in sources)
            {
                html.Append(CultureInfo.InvariantCulture, $"  <source type=\"{format.MediaType}\"{SrcSet(files, format, " srcset", always: true)}>\n");
            }
            html.Append("  ").Append(image).Append("\n</picture>\n\n");
        }
        return html.ToString();
    }

    private static string CssLines(IEnumerable<IGrouping<Picture, PlannedFile>> pictures)
    {
        var css = new StringBuilder();
        foreach (var files in pictures.Where(p => Fallback(p).BrowsersShow))
        {
            var fallback = Fallback(files);
            css.Append(CultureInfo.InvariantCulture, $".{ClassOf(fallback)} {{\n  background-image: url(\"{Relative(fallback)}\");\n");
            var set = BestFirst.SelectMany(f => files.Where(file => file.Format == f && file.Ask.Format.Format != Format.Svg)).Where(f => IsScale(f)).ToList();
            if (set.Count > 1 && fallback.Format != Format.Svg)
            {
                css.Append("  background-image: image-set(\n    ").AppendJoin(",\n    ", set.Select(f => $"url(\"{Relative(f)}\") {f.Scale} type(\"{f.Format.MediaType}\")")).Append(");\n");
            }
            css.Append("}\n\n");
        }
        return css.ToString();
    }

    /// <summary>The file that every browser shows, one with links only where nothing else is made: a drawing of shapes, else the format known longest, at its smallest scale.</summary>
    private static PlannedFile Fallback(IEnumerable<PlannedFile> files) => files
        .OrderBy(f => !f.BrowsersShow ? 99 : f.Format == Format.Svg ? -1 : f.Format == Format.Png ? 0 : f.Format == Format.Png8 ? 1 : f.Format == Format.Jpeg ? 2 : f.Format == Format.Gif ? 3 : 4 + Array.IndexOf(BestFirst, f.Format))
        .ThenBy(f => f.Scale.Factor == 1 ? 0 : f.Scale.Factor).First();

    private static string SrcSet(IEnumerable<PlannedFile> files, Format format, string attribute, bool always = false)
    {
        var list = files.Where(f => f.Format == format && f.Format != Format.Svg).OrderBy(f => f.Scale).ToList();
        if (list.Count == 0 || list.Count == 1 && !always)
        {
            return "";
        }
        // Files of own widths are told by their width; the others by their scale.
        return $"{attribute}=\"{string.Join(", ", list.Select(f => $"{Relative(f)} {(list.All(IsScale) ? f.Scale.ToString() : $"{f.Width}w")}"))}\"";
    }

    private static bool IsScale(PlannedFile file) => file.Picture.MakingFor("web") is { Wide.IsEmpty: true, Tall.IsEmpty: true };

    private static string Relative(PlannedFile file) => file.Path["web/".Length..];

    private static string SymbolOf(PlannedFile file) => ClassOf(file);

    private static string ClassOf(PlannedFile file)
    {
        var name = Path.GetFileNameWithoutExtension(file.FileName);
        var folder = file.Picture.MakingFor("web").Folder;
        name = name.Contains('@', StringComparison.Ordinal) ? name[..name.IndexOf('@', StringComparison.Ordinal)] : name;
        name = string.Join('-', folder.Append(name));
        return char.IsAsciiDigit(name[0]) ? "n" + name : name;
    }
}
