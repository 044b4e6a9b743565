using Kalypto.Core.Deciding;
using Kalypto.Core.Designs;
using Kalypto.Core.Suggesting;

namespace Kalypto.Core.Checking;

/// <summary>An open layer that probably has to ship: an icon, logo, button or picture that nobody marked.</summary>
public sealed class LikelyUnmarked : DesignCheck
{
    /// <summary>How sure a suggestion must be to be told, from 0 to 1.</summary>
    public const double Sure = 0.65;

    /// <inheritdoc/>
    public override string Id => "likely-picture-not-decided";

    /// <inheritdoc/>
    public override string Name => "likely picture not decided";

    /// <inheritdoc/>
    public override CheckText Text { get; } = new(
        "Open layers that look much like an icon, a logo, a button or a picture that ships.",
        "Developers find out days later that nobody marked it.",
        "A group 24 × 24 of five shapes in a row with three icons that ship.",
        "Ship it as what it looks like, or refuse the suggestion.");

    /// <inheritdoc/>
    protected override IEnumerable<Finding> Run(DesignState design) => design.Suggested()
        .Where(s => s.Strength >= Sure && s.Layer.Content != LayerContent.Image)
        .Select(s => new Finding(Id, Severity.Hint, new(design.Id, s.Layer.Ordinal),
            $"{CheckedPlan.Where(design, s.Layer)} {s.Sentence}.",
            new($"Ship it as {(s.Kind == "icon" ? "an" : "a")} {s.Kind}", Decision: Deciding.Decision.Ship, Tags: s.Kind,
                Together: s.Together.IsEmpty ? null : [.. s.Together.Select(l => l.Ordinal)])));
}
