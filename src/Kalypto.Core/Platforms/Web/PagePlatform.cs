using Kalypto.Core.Formats;
using Kalypto.Core.Packing;
using Kalypto.Core.Tagging;

namespace Kalypto.Core.Platforms.Web;

/// <summary>The screens as pages: the pictures that they show, <c>page/images/name.png</c>; the pages themselves are written beside them.</summary>
public sealed class PagePlatform : IPlatform
{
    /// <summary>The id, for what goes with pages alone.</summary>
    public const string PlatformId = "page";

    private static readonly Scale[] Usual = [new(1), new(2), new(3)];

    /// <inheritdoc/>
    public string Id => PlatformId;

    /// <inheritdoc/>
    public string Name => "Page";

    /// <inheritdoc/>
    public string Scales => "screens as HTML";

    /// <inheritdoc/>
    public bool Takes(Format format) => format.BrowsersShow && format != Format.Ico;

    /// <inheritdoc/>
    public string Place(Picture picture, string name) => $"page/images/{picture.MakingFor(Id).FolderPrefix}{name}";

    /// <inheritdoc/>
    public IEnumerable<FileAsk> FilesOf(PictureAsk ask)
    {
        if (ask.Making.Kind == Kinds.AppIcon)
        {
            // No page shows the icon of an app.
            return [];
        }
        var path = $"page/images/{ask.Folder}{ask.Name}";
        return Sized.Files(ask, Takes, f => ask.Making.ScalesOr(Usual, f),
            (_, scale, ending) => $"{path}{(scale.Factor == 1 ? "" : $"@{scale}")}{ending}", (_, size, ending) => $"{path}-{size}{ending}", (_, ending) => path + ending);
    }

    /// <inheritdoc/>
    public IEnumerable<SideFile> SideFiles(PlatformPack pack) => [];
}
