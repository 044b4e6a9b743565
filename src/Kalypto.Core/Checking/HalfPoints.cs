namespace Kalypto.Core.Checking;

/// <summary>An icon or button drawn on half points: its straight edges blur at 1x.</summary>
public sealed class HalfPoints : ICheck
{
    private const double Near = 0.08;

    /// <inheritdoc/>
    public string Name => "drawn on half points";

    /// <inheritdoc/>
    public IEnumerable<Finding> Run(CheckedPlan plan) => plan.Pictures
        .Where(p => p.Making.Kind is "icon" or "button" or "logo" && plan.DesignOf(p).PointsOf(plan.LayerOf(p)) is { } box
            && (IsHalf(box.X) && IsHalf(box.Right) || IsHalf(box.Y) && IsHalf(box.Bottom)))
        .Select(p => new Finding(Name, Severity.Hint, p.Ref,
            $"“{p.LayerName}” on {p.ScreenName} begins and ends on half points, so its straight edges blur at 1x; move it by half a point in the drawing."));

    private static bool IsHalf(double length) => Math.Abs(length - Math.Floor(length) - 0.5) < Near;
}
