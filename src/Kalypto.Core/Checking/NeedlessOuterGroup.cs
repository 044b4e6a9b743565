using Kalypto.Core.Deciding;

namespace Kalypto.Core.Checking;

/// <summary>A group around everything on a screen: it is stepped over, and shipping it would ship the screen.</summary>
public sealed class NeedlessOuterGroup : DesignCheck
{
    /// <inheritdoc/>
    public override string Id => "needless-outer-group";

    /// <inheritdoc/>
    public override string Name => "needless outer group";

    /// <inheritdoc/>
    public override CheckText Text { get; } = new(
        "Groups around everything on a screen.",
        "Such a group says nothing; shipping it would ship the whole screen.",
        "A screen with a single group “Group 1” in which all else lies.",
        "Nothing: it is stepped over. Take it apart in the drawing where it disturbs.");

    /// <inheritdoc/>
    protected override IEnumerable<Finding> Run(DesignState design) => design.Layers
        .Where(design.Measured.IsNeedlessOuter)
        .Select(l => new Finding(Id, Severity.Hint, new(design.Id, l.Ordinal),
            $"{CheckedPlan.Where(design, l)} is a group around everything there; it is stepped over and gives no folder."));
}
