using Kalypto.Core.Designs;
using Kalypto.Core.Packing;
using Kalypto.Core.Tagging;

namespace Kalypto.Core.Checking;

/// <summary>A layer that is drawn by mixing its colours with what lies beneath it, and ships without that.</summary>
public sealed class BlendsWithNothing : ICheck
{
    /// <inheritdoc/>
    public string Id => "blends-with-nothing";

    /// <inheritdoc/>
    public string Name => "blends with nothing";

    /// <inheritdoc/>
    public CheckText Text { get; } = new(
        "Layers whose colours mix with what lies beneath them (multiply, screen and the like) and which ship alone.",
        "Alone there is nothing to mix with, so that the picture looks other than in the drawing.",
        "A shadow that multiplies the sand under a chair.",
        "Show what lies beneath it, or ship both as one picture.");

    /// <inheritdoc/>
    public IEnumerable<Finding> Run(CheckedPlan plan)
    {
        foreach (var picture in plan.Pictures.Where(p => p.Making.Ground is Ground.Nothing))
        {
            var (design, layer) = (plan.DesignOf(picture), plan.LayerOf(picture));
            if (Blending(layer) is { } blending && design.Measured.ScreenOf(layer) is { } screen && screen.Root != layer && LiesOnSomething(plan, picture, layer))
            {
                yield return new(Id, Severity.Warning, picture.Ref,
                    $"“{picture.Called}” on {picture.ScreenName} mixes its colours with what lies beneath it ({blending}), and ships alone, with nothing to mix with.",
                    new("Show what lies beneath it", Tags: "over:screen"));
            }
        }
    }

    // Of the layer, and of the groups that it lies in: their mixing is that of all they hold.
    private static string? Blending(Layer layer) => layer.DrawnAncestors().Prepend(layer).TakeWhile(l => l.Parent is not null)
        .Select(l => l.Element.Style("mix-blend-mode")).FirstOrDefault(mode => mode is not (null or "normal" or ""));

    private static bool LiesOnSomething(CheckedPlan plan, Picture picture, Layer layer)
    {
        var design = plan.DesignOf(picture);
        return design.PointsOf(layer) is { } box && design.Layers.Take(layer.Ordinal)
            .Any(other => other.Children.Count == 0 && !other.Guide && !other.HiddenHere && design.PointsOf(other) is { } under && !under.Intersect(box).IsEmpty);
    }
}
