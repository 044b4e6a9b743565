namespace Kalypto.Core.Checking;

/// <summary>An icon or button drawn on half points: its straight edges blur at 1x.</summary>
public sealed class HalfPoints : ICheck
{
    private const double Near = 0.08;

    /// <inheritdoc/>
    public string Id => "drawn-on-half-points";

    /// <inheritdoc/>
    public string Name => "drawn on half points";

    /// <inheritdoc/>
    public CheckText Text { get; } = new(
        "Icons, buttons and logos that begin and end on half points.",
        "Their straight edges lie between two pixels at 1x and blur.",
        "An icon at 10.5, 20.5 that is 24 × 24.",
        "Move it by half a point in the drawing.");

    /// <inheritdoc/>
    public IEnumerable<Finding> Run(CheckedPlan plan) => plan.Pictures
        .Where(p => p.Making.Kind is "icon" or "button" or "logo" && plan.DesignOf(p).PointsOf(plan.LayerOf(p)) is { } box
            && (IsHalf(box.X) && IsHalf(box.Right) || IsHalf(box.Y) && IsHalf(box.Bottom)))
        .Select(p => new Finding(Id, Severity.Hint, p.Ref,
            $"“{p.Called}” on {p.ScreenName} begins and ends on half points, so its straight edges blur at 1x; move it by half a point in the drawing."));

    private static bool IsHalf(double length) => Math.Abs(length - Math.Floor(length) - 0.5) < Near;
}
