using Kalypto.Core.Comparing;
using Kalypto.Core.Library;
using Kalypto.Web.Wording;

namespace Kalypto.Web.Models;

/// <summary>A drawing of the library with every place and file of it.</summary>
/// <param name="Places">Where it is used.</param>
/// <param name="Files">Its files.</param>
/// <param name="Zip">Where all of them are fetched.</param>
/// <param name="Weight">What they weigh together.</param>
public sealed record LibraryDetail(IReadOnlyList<LibraryDetail.Place> Places, IReadOnlyList<LibraryDetail.File> Files, string Zip, string Weight)
{
    /// <summary>A place that it was shipped for.</summary>
    /// <param name="Project">Its project.</param>
    /// <param name="Where">The screen and what it is called there.</param>
    /// <param name="When">The deliveries that had it.</param>
    /// <param name="Href">The layer on its bench.</param>
    public sealed record Place(string Project, string Where, string When, string Href);

    /// <summary>A file of it.</summary>
    /// <param name="Path">Where it lies in its pack.</param>
    /// <param name="Project">The project that delivered it; empty where only one did.</param>
    /// <param name="Platform">Its platform.</param>
    /// <param name="Facts">Size and weight.</param>
    /// <param name="Href">Where it is fetched.</param>
    public sealed record File(string Path, string Project, string Platform, string Facts, string Href);

    /// <summary>Puts it together.</summary>
    public static LibraryDetail Of(LibraryEntry entry, IReadOnlyList<(ShippedLayer Of, int Build, DeliveredFile File)> files) => new(
        [.. entry.Places.Select(p => new Place(p.ProjectName, $"{p.Screen} · {p.Layer}{(p.Layer == p.Name ? "" : $", shipped as {p.Name}")}", When(p), $"/library/layers/{p.Design}/{p.Lineage}"))],
        [.. files.Select(f => new File(f.File.Path, files.Any(o => o.Of.Project != f.Of.Project) ? f.Of.ProjectName : "", LibraryCard.NameOf(f.File.Platform), $"{(f.File.Width > 0 ? $"{f.File.Width}×{f.File.Height} px · " : "")}{Words.Weight((f.File.Bytes, false))}",
            $"/projects/{f.Of.Project}/builds/{f.Build}/file?path={Uri.EscapeDataString(f.File.Path)}"))],
        $"/library/layers/{entry.Shown.Design}/{entry.Shown.Lineage}.zip", Words.Weight((files.Sum(f => f.File.Bytes), false)));

    private static string When(ShippedLayer layer) => layer.Since == layer.Newest ? $"delivery {layer.Since?.Number}, {LibraryCard.DateOf(layer.Since)}"
        : $"deliveries {layer.Since?.Number} to {layer.Newest?.Number}, since {LibraryCard.DateOf(layer.Since)}";
}
