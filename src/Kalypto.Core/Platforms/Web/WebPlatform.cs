using Kalypto.Core.Exporting;
using Kalypto.Core.Formats;
using Kalypto.Core.Packing;
using Kalypto.Core.Platforms.Code;
using Kalypto.Core.Tagging;

namespace Kalypto.Core.Platforms.Web;

/// <summary>
/// The web: <c>name.png</c>, <c>name@2x.png</c>, with the lines of HTML and CSS that use them, one sprite of all SVG, and the
/// icons of a site (HTML, 4.8.4; CSS Images level 4; Web Application Manifest).
/// </summary>
public sealed class WebPlatform : IPlatform
{
    private static readonly Scale[] Usual = [new(1), new(2), new(3)];

    /// <inheritdoc/>
    public string Id => "web";

    /// <inheritdoc/>
    public string Name => "Web";

    /// <inheritdoc/>
    public string Scales => "1·2·3x";

    /// <inheritdoc/>
    public bool Takes(Format format) => format != Format.Vector;

    /// <inheritdoc/>
    public string Place(Picture picture, string name) => picture.MakingFor(Id) is var making && making.Kind == Kinds.AppIcon ? "web/site icons" + making.TwinMark()
        : $"web/{making.FolderPrefix}{name}";

    /// <inheritdoc/>
    public IEnumerable<FileAsk> FilesOf(PictureAsk ask)
    {
        if (ask.Making.Kind == Kinds.AppIcon)
        {
            // The icons of a site have one form.
            return ask.Twin is null ? SiteIcons.FilesOf(ask) : [];
        }
        var path = $"web/{ask.Folder}{ask.Name}";
        return Sized.Files(ask, Takes, f => ask.Making.ScalesOr(Usual, f),
            (_, scale, ending) => $"{path}{(scale.Factor == 1 ? "" : $"@{scale}")}{ending}", (_, size, ending) => $"{path}-{size}{ending}", (_, ending) => path + ending, links: true);
    }

    /// <inheritdoc/>
    public IEnumerable<TypedLine> LinesFor(Picture picture, IReadOnlyList<PlannedFile> files, CodeStyle code)
    {
        if (files.Any(SiteIcons.Is))
        {
            return [new("html", "HTML", SiteIcons.HeadLines().TrimEnd('\n'))];
        }
        var shown = files.Where(f => !f.IsLinked && f.Format != Format.Pdf && f.Format != Format.Ico).GroupBy(f => f.Picture).ToList();
        return shown.Count == 0 ? [] : [new("html", "HTML", HtmlLines.Write(WebPictures.Of(shown)).Trim('\n')), new("css", "CSS", CssLines.Write(WebPictures.Of(shown)).Trim('\n'))];
    }

    /// <inheritdoc/>
    public IEnumerable<SideFile> SideFiles(PlatformPack pack)
    {
        var icons = pack.Files.Where(SiteIcons.Is).ToList();
        if (icons.Count > 0)
        {
            yield return new(Id, "web/site.webmanifest", () => SiteIcons.Manifest(pack.Project, icons));
            yield return new(Id, "web/site-icons.html", SiteIcons.HeadLines);
        }
        var pictures = pack.Files.Where(f => !SiteIcons.Is(f) && !f.IsLinked && f.Format != Format.Pdf && f.Format != Format.Ico).GroupBy(f => f.Picture).ToList();
        if (pictures.Count == 0)
        {
            yield break;
        }
        yield return new(Id, "web/pictures.html", () => HtmlLines.Write(WebPictures.Of(pictures)));
        yield return new(Id, "web/pictures.css", () => CssLines.Write(WebPictures.Of(pictures)));
        yield return TypeScriptNames.File("web/pictures.ts", this, pack.Book.Code.ClassName, pictures.Select(p => CodePicture.BestFirst(p.OrderBy(f => !f.BrowsersShow)) is var files
            && files.FirstOrDefault(f => f.BrowsersShow) is { } best ? new CodePicture(p.Key, this.NameOf(p.Key), WebFiles.Relative(best), [best, .. files.Where(f => f != best && f.BrowsersShow)]) : null).OfType<CodePicture>(), WebFiles.Relative);
        var vectors = pack.Files.Where(f => f.Format == Format.Svg && f.Picture.MakingFor(Id).Kind is "icon" or "logo").ToList();
        if (vectors.Count > 0)
        {
            yield return new(Id, "web/sprite.svg", () => SvgSprite.Write(vectors.Select(v => (WebFiles.ClassOf(v), pack.SvgOf(v)))));
        }
    }
}
