using Kalypto.Core.Formats;
using Kalypto.Core.Tagging;

namespace Kalypto.Core.Checking;

/// <summary>A picture with rounded or soft edges in a format without transparency, over white because nobody named a colour.</summary>
public sealed class TransparencyLost : ICheck
{
    /// <inheritdoc/>
    public string Name => "transparency lost";

    /// <inheritdoc/>
    public IEnumerable<Finding> Run(CheckedPlan plan) => plan.Files
        .Where(f => f.Format.Transparency != Transparency.Full && f.Picture.MakingFor(f.Platform).Ground is Ground.Nothing && IsCut(plan, f.Picture))
        .GroupBy(f => f.Picture.Ref)
        .Select(g => (g.First().Picture, Formats: string.Join(" and ", g.Select(f => f.Format.Name).Distinct())))
        .Select(p => new Finding(Name, Severity.Hint, p.Picture.Ref,
            $"“{p.Picture.LayerName}” on {p.Picture.ScreenName} has edges that {p.Formats} cannot show; they lie over white until a colour is named.",
            new("Show what lies beneath it", Tags: "over:screen")));

    // A rounded corner, a clip or a mask leaves parts of the box open.
    private static bool IsCut(CheckedPlan plan, Packing.Picture picture) => plan.LayerOf(picture).SelfAndDescendants().Concat(plan.LayerOf(picture).Ancestors().TakeWhile(a => a.Parent is not null))
        .Any(l => l.Element.Style("clip-path") is not (null or "none") || l.Element.Style("mask") is not (null or "none"));
}
