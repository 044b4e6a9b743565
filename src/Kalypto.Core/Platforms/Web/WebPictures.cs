using Kalypto.Core.Packing;

namespace Kalypto.Core.Platforms.Web;

/// <summary>A picture for the lines of the web, with the forms that it has for other grounds, languages and directions.</summary>
/// <param name="Files">Its files.</param>
/// <param name="Twins">The files of each of its forms.</param>
internal sealed record WebPictures(IGrouping<Picture, PlannedFile> Files, IReadOnlyList<IGrouping<Picture, PlannedFile>> Twins)
{
    /// <summary>Pictures with their forms; a form without the picture that it is one of stands by itself.</summary>
    public static IReadOnlyList<WebPictures> Of(IReadOnlyList<IGrouping<Picture, PlannedFile>> pictures)
    {
        static string Place(Picture picture) => picture.MakingFor("web").FolderPrefix + string.Join('-', picture.WordsFor("web"));
        var known = pictures.Where(p => p.Key.Twin is null).Select(p => Place(p.Key)).ToHashSet(StringComparer.Ordinal);
        var twins = pictures.Where(p => p.Key.Twin is not null && known.Contains(Place(p.Key))).ToLookup(p => Place(p.Key));
        return [.. pictures.Where(p => p.Key.Twin is null || !known.Contains(Place(p.Key))).Select(p => new WebPictures(p, p.Key.Twin is null ? [.. twins[Place(p.Key)]] : []))];
    }
}
