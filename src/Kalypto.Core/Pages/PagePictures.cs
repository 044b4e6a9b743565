using System.Collections.Immutable;
using Kalypto.Core.Formats;
using Kalypto.Core.Packing;

namespace Kalypto.Core.Pages;

/// <summary>Chooses what a page shows of the files of a picture.</summary>
public static class PagePictures
{
    private static readonly Format[] SmallestFirst = [Format.Avif, Format.WebP];
    private static readonly Format[] KnownToAll = [Format.Png, Format.Jpeg, Format.Png8, Format.Gif, Format.WebP, Format.Avif];

    /// <summary>The files that a page shows; none where no browser shows any, or only such as take the colour of the code.</summary>
    /// <param name="files">The files of a picture on one platform.</param>
    public static ImmutableArray<PlannedFile> Of(IEnumerable<PlannedFile> files)
    {
        List<PlannedFile> all = [.. files.Where(f => f.BrowsersShow && !f.TakesColour && f.Format != Format.Ico && !f.IsLinked)];
        return all.Find(f => f.Format == Format.Svg) is { } shapes ? [shapes] : [.. all.Where(f => f.Format != Format.Svg)];
    }

    /// <summary>How they are named on the page.</summary>
    /// <param name="files">The files that it shows, at least one.</param>
    /// <param name="addressOf">The address of a file, from the page.</param>
    public static PagePicture Named(ImmutableArray<PlannedFile> files, Func<PlannedFile, string> addressOf)
    {
        var picture = files[0].Picture;
        var size = picture.Crop?.Box ?? default;
        var format = KnownToAll.Prepend(Format.Svg).First(f => files.Any(file => file.Format == f));
        var own = SetOf(files, format);
        return new(addressOf(own[0]), size.Width, size.Height, picture.AltFor(files[0].Platform))
        {
            SourceSet = own.Count > 1 ? Text(own, addressOf) : "",
            Others = [.. SmallestFirst.Where(f => f != format && files.Any(file => file.Format == f)).Select(f => (f.MediaType, Text(SetOf(files, f), addressOf)))],
        };
    }

    private static List<PlannedFile> SetOf(ImmutableArray<PlannedFile> files, Format format) => [.. files.Where(f => f.Format == format).DistinctBy(f => f.Width).OrderBy(f => f.Width)];

    // By the density that each has at the size that it is shown.
    private static string Text(List<PlannedFile> files, Func<PlannedFile, string> addressOf) => string.Join(", ", files.Select(f => files.Count == 1 ? addressOf(f) : $"{addressOf(f)} {Designs.Numbers.Text(f.Width / Math.Max(1, f.Picture.Crop?.Box.Width ?? f.Width), 2)}x"));
}
