using Kalypto.Core.Formats;
using Kalypto.Core.Packing;

namespace Kalypto.Core.Platforms;

/// <summary>Plain folders for everything else: one folder a scale, a format, both or neither, with a suffix of the team's own.</summary>
public sealed class FoldersPlatform : IPlatform
{
    /// <summary>The id, for what depends on the layout of folders.</summary>
    public const string PlatformId = "folders";

    private static readonly Scale[] Usual = [new(1), new(2), new(3)];

    /// <inheritdoc/>
    public string Id => PlatformId;

    /// <inheritdoc/>
    public string Name => "Plain folders";

    /// <inheritdoc/>
    public string Scales => "own scales";

    /// <inheritdoc/>
    public bool Takes(Format format) => true;

    /// <inheritdoc/>
    public string Place(Picture picture, string name) => $"folders/{picture.MakingFor(Id).FolderPrefix}{name}";

    /// <inheritdoc/>
    public IEnumerable<FileAsk> FilesOf(PictureAsk ask)
    {
        string Base(FormatAsk format, string? scale) =>
            $"folders/{(ask.Layout.ByFormat ? format.Format.Id + "/" : "")}{(ask.Layout.ByScale && scale is not null ? scale + "/" : "")}{ask.Folder}{ask.Name}";
        return Sized.Files(ask, Takes, f => ask.Making.ScalesOr(Usual, f),
            (format, scale, ending) => $"{Base(format, scale.ToString())}{(ask.Layout.ByScale || scale.Factor == 1 ? "" : ask.Layout.ScaleSuffix.Replace("{}", scale.ToString(), StringComparison.Ordinal))}{ending}",
            (format, size, ending) => $"{Base(format, null)}-{size}{ending}", (format, ending) => $"{Base(format, null)}{ending}", links: true);
    }

    /// <inheritdoc/>
    public IEnumerable<SideFile> SideFiles(PlatformPack pack) => [];
}
