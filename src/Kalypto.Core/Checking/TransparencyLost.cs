using Kalypto.Core.Designs;
using Kalypto.Core.Formats;
using Kalypto.Core.Packing;
using Kalypto.Core.Tagging;

namespace Kalypto.Core.Checking;

/// <summary>A picture with rounded or soft edges in a format without transparency, over white because nobody named a colour.</summary>
public sealed class TransparencyLost : ICheck
{
    private const double Tolerance = 1;

    /// <inheritdoc/>
    public string Id => "transparency-lost";

    /// <inheritdoc/>
    public string Name => "transparency lost";

    /// <inheritdoc/>
    public CheckText Text { get; } = new(
        "Pictures with rounded or soft edges in a format that cannot show them, over no colour that anybody named.",
        "Their corners become white.",
        "A round portrait as JPEG.",
        "Name the colour under it, or show what lies beneath it.");

    /// <inheritdoc/>
    public IEnumerable<Finding> Run(CheckedPlan plan) => plan.Files
        .Where(f => !f.IsLinked && f.Format.Transparency != Transparency.Full && f.Picture.MakingFor(f.Platform).Ground is Ground.Nothing && IsCut(plan, f.Picture))
        .GroupBy(f => f.Picture.Ref)
        .Select(g => (g.First().Picture, Formats: string.Join(" and ", g.Select(f => f.Format.Name).Distinct())))
        .Select(p => new Finding(Id, Severity.Hint, p.Picture.Ref,
            $"“{p.Picture.Called}” on {p.Picture.ScreenName} has edges that {p.Formats} cannot show; they lie over white until a colour is named.",
            new("Show what lies beneath it", Tags: "over:screen")));

    // Only a plain rectangle or picture over the whole crop, that nothing cuts, leaves none of it open.
    private static bool IsCut(CheckedPlan plan, Picture picture)
    {
        var layer = plan.LayerOf(picture);
        var design = plan.DesignOf(picture);
        return layer.Ancestors().TakeWhile(a => a.Parent is not null).Any(Cuts) || !layer.SelfAndDescendants().Any(l =>
            l.Element.Name is "rect" or "image" && l.Element["rx"] is null or "0" && l.Element["ry"] is null or "0"
            && !l.Ancestors().TakeWhile(a => a != layer.Parent).Prepend(l).Any(Cuts)
            && design.PointsOf(l) is { } box && picture.Crop is { Box: var crop } && box.Inflate(Tolerance).Intersect(crop) == crop);
    }

    private static bool Cuts(Layer layer) => layer.Element.Style("clip-path") is not (null or "none") || layer.Element.Style("mask") is not (null or "none");
}
