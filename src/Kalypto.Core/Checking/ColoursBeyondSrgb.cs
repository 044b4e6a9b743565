using Kalypto.Core.Packing;

namespace Kalypto.Core.Checking;

/// <summary>Files in sRGB of pictures that have colours beyond it.</summary>
public sealed class ColoursBeyondSrgb : ICheck
{
    /// <inheritdoc/>
    public string Id => "colours-beyond-srgb";

    /// <inheritdoc/>
    public string Name => "colours beyond sRGB";

    /// <inheritdoc/>
    public CheckText Text { get; } = new(
        "Pictures with colours beyond sRGB whose files are in sRGB.",
        "Screens that show more colours than sRGB has show the nearest that it has.",
        "A photo of a phone in Display P3, delivered as JPEG in sRGB.",
        "Say p3 for it, or in its recipe, where the format holds them; or leave it, for most screens show no more.");

    /// <inheritdoc/>
    public IEnumerable<Finding> Run(CheckedPlan plan) => plan.Files.Where(f => f.Picture.IsWide && !f.Ask.KeepsWide && !f.IsLinked).GroupBy(f => f.Picture.Ref).Select(g => Of(plan, g.First().Picture, [.. g]));

    private Finding Of(CheckedPlan plan, Picture picture, IReadOnlyList<PlannedFile> files)
    {
        var who = $"“{picture.Called}” on {picture.ScreenName}";
        var asked = files.Where(f => picture.MakingFor(f.Platform).P3).ToList();
        if (asked.Count > 0 && !plan.HasExact)
        {
            return new(Id, Severity.Warning, picture.Ref, $"{who} is asked for in Display P3, which takes the exact engine, and there is none here; its files are in sRGB.");
        }
        if (asked.Count > 0)
        {
            return new(Id, Severity.Hint, picture.Ref, $"{who} is asked for in Display P3, but {string.Join(" and ", asked.Select(f => f.Format.Name).Distinct().Order(StringComparer.Ordinal))} is made of the nearest colours in sRGB.");
        }
        return new(Id, Severity.Hint, picture.Ref, $"{who} has colours beyond sRGB; its files hold the nearest within it.",
            plan.HasExact && files.All(f => f.Format.HoldsP3) ? new("Keep them in Display P3", Tags: "p3") : null);
    }
}
