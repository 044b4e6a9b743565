using Kalypto.Core.Library;
using Kalypto.Core.Platforms;
using Kalypto.Web.Wording;

namespace Kalypto.Web.Models;

/// <summary>A drawing of the library, for the page.</summary>
/// <param name="Drawing">Its fingerprint.</param>
/// <param name="Design">The design of the place that stands for it.</param>
/// <param name="Lineage">The layer of that.</param>
/// <param name="Name">What its files are called.</param>
/// <param name="Kind">Its kind.</param>
/// <param name="Size">Its crop in pt.</param>
/// <param name="Project">The projects that delivered it.</param>
/// <param name="ProjectId">The project of the place that stands for it.</param>
/// <param name="Platforms">The platforms that it was shipped for.</param>
/// <param name="Used">Where it is used, in words.</param>
/// <param name="Since">Since when it ships, in words.</param>
/// <param name="Picture">A small picture; null while there is none.</param>
/// <param name="Hash">What it looks like, to look for others; null when nothing is visible.</param>
/// <param name="Colours">Its main colours.</param>
public sealed record LibraryCard(
    string Drawing, int Design, int Lineage, string Name, string Kind, string Size, string Project, int ProjectId, IReadOnlyList<string> Platforms, string Used, string Since, string? Picture, string? Hash, IReadOnlyList<string> Colours)
{
    /// <summary>Puts it together.</summary>
    public static LibraryCard Of(LibraryEntry entry)
    {
        var shown = entry.Shown;
        var projects = entry.Places.Select(p => p.Project).Distinct().Count();
        return new(shown.Drawing, shown.Design, shown.Lineage, shown.Name, shown.Kind, SizeOf(shown), string.Join(", ", entry.Places.Select(p => p.ProjectName).Distinct()), shown.Project, [.. entry.Places.SelectMany(p => p.Platforms).Distinct().Select(NameOf).Order(StringComparer.Ordinal)],
            $"{Words.Count(entry.Places.Length, "place")}{(projects > 1 ? $" in {Words.Count(projects, "project")}" : "")}", DateOf(entry.Since),
            shown.Look is null ? null : $"/library/pictures/{shown.Drawing}.png", shown.Look?.Hash?.ToString(), [.. shown.Look?.Colours.Select(c => c.Hex) ?? []]);
    }

    /// <summary>The crop of a layer in pt.</summary>
    public static string SizeOf(ShippedLayer layer) => $"{Core.Designs.Numbers.Text(layer.Width)} × {Core.Designs.Numbers.Text(layer.Height)} pt";

    /// <summary>When a delivery was made.</summary>
    public static string DateOf(ShippedIn? shipped) => shipped?.At.ToString("d MMM yyyy", System.Globalization.CultureInfo.InvariantCulture) ?? "";

    /// <summary>What a platform is called.</summary>
    public static string NameOf(string platform) => AllPlatforms.List.FirstOrDefault(p => p.Id == platform)?.Name ?? platform;
}
