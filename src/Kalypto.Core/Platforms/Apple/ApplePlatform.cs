using System.Text.Json.Nodes;
using Kalypto.Core.Formats;
using Kalypto.Core.Packing;
using Kalypto.Core.Platforms.Code;
using Kalypto.Core.Tagging;

namespace Kalypto.Core.Platforms.Apple;

/// <summary>Apple's asset catalog: an image set a picture, with 1x, 2x and 3x or one drawing of shapes, and the app icon (Asset Catalog Format Reference).</summary>
public sealed class ApplePlatform : IPlatform
{
    private const string Catalog = "apple/Assets.xcassets";
    private const string AppIconSet = Catalog + "/AppIcon.appiconset";
    private static readonly Scale[] Own = [new(1), new(2), new(3)];

    /// <inheritdoc/>
    public string Id => "apple";

    /// <inheritdoc/>
    public string Name => "Apple";

    /// <inheritdoc/>
    public string Scales => "1·2·3x";

    /// <inheritdoc/>
    public bool Takes(Format format) => format == Format.Png || format == Format.Png8 || format == Format.Jpeg || format == Format.Svg || format == Format.Pdf;

    /// <inheritdoc/>
    public bool NamesTwins => false;

    /// <inheritdoc/>
    public string Place(Picture picture, string name) => picture.MakingFor(Id) is var making && making.Kind == Kinds.AppIcon ? AppIconSet + making.TwinMark()
        : ImageSet(making, name) + making.TwinMark();

    /// <summary>An image set holds one picture, so of several formats the first that scales without loss is made.</summary>
    public IEnumerable<FileAsk> FilesOf(PictureAsk ask)
    {
        if (ask.Making.Kind == Kinds.AppIcon)
        {
            // A dark icon may let the ground of the system through; the others may not.
            return [Sized.Square($"{AppIconSet}/AppIcon{Form(ask)}.png", 1024, ask, opaque: ask.Twin?.IsDark != true)];
        }
        var set = ImageSet(ask.Making, ask.Name);
        Format[] order = [Format.Svg, Format.Pdf, Format.Png, Format.Png8, Format.Jpeg];
        var format = order.FirstOrDefault(f => ask.Making.Makes(f));
        return Sized.Files(ask, f => f == format, f => ask.Making.ScalesAmong(Own, f),
            (_, scale, ending) => $"{set}/{ask.Name}{Form(ask)}{(scale.Factor == 1 ? "" : $"@{scale}")}{ending}", (_, size, ending) => $"{ImageSet(ask.Making, $"{ask.Name}-{size}")}/{ask.Name}{Form(ask)}-{size}{ending}",
            (_, ending) => $"{set}/{ask.Name}{Form(ask)}{ending}");
    }

    // All forms of a picture lie in its set, which says of each what it is for.
    private static string Form(PictureAsk ask) => ask.Twin is { } twin ? "-" + string.Join('-', twin.Words) : "";

    /// <inheritdoc/>
    public IEnumerable<TypedLine> LinesFor(Picture picture, IReadOnlyList<PlannedFile> files, CodeStyle code)
    {
        if (files[0].Path.StartsWith(AppIconSet, StringComparison.Ordinal))
        {
            yield break;
        }
        var set = files[0].Path[..files[0].Path.LastIndexOf('/')];
        var name = Identifiers.Quoted(set[(Catalog.Length + 1)..^".imageset".Length]);
        var alt = picture.AltFor(Id);
        yield return new("swiftui", "SwiftUI", alt.Length == 0 ? $"Image(decorative: {name})" : $"Image({name})\n    .accessibilityLabel({Identifiers.Quoted(alt)})");
        yield return new("uikit", "UIKit", $"UIImage(named: {name})");
    }

    /// <inheritdoc/>
    public IEnumerable<SideFile> SideFiles(PlatformPack pack)
    {
        if (pack.Files.IsEmpty)
        {
            yield break;
        }
        yield return CatalogContents.Of(Catalog, []);
        var folders = new SortedSet<string>(StringComparer.Ordinal);
        foreach (var set in pack.Files.GroupBy(f => f.Path[..f.Path.LastIndexOf('/')]))
        {
            for (var up = set.Key.LastIndexOf('/'); up > Catalog.Length; up = set.Key.LastIndexOf('/', up - 1))
            {
                folders.Add(set.Key[..up]);
            }
            yield return CatalogContents.Of(set.Key, set.Key == AppIconSet ? [new("images", CatalogContents.AppIcons(set))] : [new("images", CatalogContents.Images(set)), .. CatalogContents.Properties(set)]);
        }
        foreach (var folder in folders)
        {
            // Two folders may hold pictures of one name, so names are qualified by their folder.
            yield return CatalogContents.Of(folder, [new("properties", new JsonObject { ["provides-namespace"] = true })]);
        }
        var named = pack.Files.Where(f => !f.Path.StartsWith(AppIconSet, StringComparison.Ordinal)).GroupBy(f => f.Path[..f.Path.LastIndexOf('/')])
            .Select(s => new CodePicture(s.First().Picture, s.Key[(s.Key.LastIndexOf('/') + 1)..^".imageset".Length], s.Key[(Catalog.Length + 1)..^".imageset".Length], CodePicture.BestFirst(s))).ToList();
        if (named.Count > 0)
        {
            yield return SwiftNames.File($"apple/{pack.Book.Code.ClassName}.swift", this, pack.Book.Code.ClassName, named);
        }
    }

    private static string ImageSet(Making making, string name) =>
        $"{Catalog}/{making.FolderPrefix}{name}.imageset";
}
