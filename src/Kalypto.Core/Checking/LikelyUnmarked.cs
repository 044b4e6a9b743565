using Kalypto.Core.Designs;
using Kalypto.Core.Suggesting;

namespace Kalypto.Core.Checking;

/// <summary>An open layer that probably has to ship: an icon, logo, button or picture that nobody marked.</summary>
public sealed class LikelyUnmarked : ICheck
{
    /// <summary>How sure a suggestion must be to be told, from 0 to 1.</summary>
    public const double Sure = 0.65;

    /// <inheritdoc/>
    public string Name => "likely picture not decided";

    /// <inheritdoc/>
    public IEnumerable<Finding> Run(CheckedPlan plan) => plan.Designs.SelectMany(design => design.Suggested()
        .Where(s => s.Strength >= Sure && s.Layer.Content != LayerContent.Image)
        .Select(s => new Finding(Name, Severity.Hint, new(design.Id, s.Layer.Ordinal),
            $"{CheckedPlan.Where(design, s.Layer)} {s.Sentence}.",
            new($"Ship it as {(s.Kind == "icon" ? "an" : "a")} {s.Kind}", Decision: Deciding.Decision.Ship, Tags: s.Kind,
                Together: s.Together.IsEmpty ? null : [.. s.Together.Select(l => l.Ordinal)]))));
}
