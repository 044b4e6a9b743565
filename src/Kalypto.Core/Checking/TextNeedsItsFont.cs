using Kalypto.Core.Designs;
using Kalypto.Core.Fonts;
using Kalypto.Core.Formats;

namespace Kalypto.Core.Checking;

/// <summary>An SVG whose texts stay texts, because a tag says so.</summary>
public sealed class TextNeedsItsFont : ICheck
{
    /// <inheritdoc/>
    public string Id => "text-needs-its-font";

    /// <inheritdoc/>
    public string Name => "text needs its font";

    /// <inheritdoc/>
    public CheckText Text { get; } = new(
        "SVG files with texts that stay texts, because a tag says so.",
        "A machine without the font shows them in another one, with other widths; a picture on a page never gets the fonts of the page.",
        "A logo as `svg:text` in a font that visitors do not have.",
        "Let them become outlines, or put the SVG into the page itself, which has the font.");

    /// <inheritdoc/>
    public IEnumerable<Finding> Run(CheckedPlan plan)
    {
        foreach (var picture in plan.Files.Where(f => f.Format == Format.Svg && f.Ask.Format.Quality is Quality.Texts).Select(f => f.Picture).DistinctBy(p => p.Ref))
        {
            if (plan.DesignOf(picture).Measured.Contents[picture.Ref.Ordinal].Texts == 0)
            {
                continue;
            }
            var families = AskedFont.Of(plan.LayerOf(picture)).Select(a => FamilyList.Wanted(a.Families)).OfType<string>().Distinct(StringComparer.OrdinalIgnoreCase).ToList();
            yield return new(Id, Severity.Warning, picture.Ref,
                $"The SVG of “{picture.Called}” on {picture.ScreenName} keeps its texts, which look so only where {(families.Count == 0 ? "its font" : string.Join(" and ", families))} is there.",
                new("Make them outlines", Tags: "svg"));
        }
    }
}
