using Kalypto.Core.Arranging;
using Kalypto.Core.Deciding;
using Kalypto.Core.Designs;

namespace Kalypto.Core.Checking;

/// <summary>A design whose screens have the size of a device at another scale than it says it was drawn at.</summary>
public sealed class DrawnAtGuess : DesignCheck
{
    /// <inheritdoc/>
    public override string Id => "drawn-at-another-scale";

    /// <inheritdoc/>
    public override string Name => "drawn at another scale";

    /// <inheritdoc/>
    public override CheckText Text { get; } = new(
        "Designs whose file says another size than its units, or whose screens are as wide as those of a device drawn at another scale than the design says.",
        "Every size in points, every scale and every crop follows from what a design is drawn at.",
        "A design that says 1x with screens 750 wide, twice the 375 of a phone.",
        "Say on the screens page what it is drawn at.");

    /// <inheritdoc/>
    protected override IEnumerable<Finding> Run(DesignState design)
    {
        var drawing = design.Measured.Drawing;
        var boxes = drawing.Screens.Select(s => s.Box).ToList();
        if (DrawnScale.SaidBy(drawing) is { } said && design.DrawnAt == 1)
        {
            yield return new(Id, Severity.Hint, new(design.Id, 0),
                $"“{design.Name}” says that it is drawn at 1x, but its file shows {Numbers.Text(drawing.Box.Width, 0)} units on {Numbers.Text(drawing.Box.Width / said, 0)} px, which is {Numbers.Text(said, 2)}x.",
                new("Say what it is drawn at", Place: "screens"));
        }
        else if (DeviceSizes.DrawnAt(boxes) is > 1 and var guess && design.DrawnAt == 1)
        {
            yield return new(Id, Severity.Hint, new(design.Id, 0),
                $"“{design.Name}” says that it is drawn at {design.DrawnAt}x, but its screens are {Numbers.Text(boxes[0].Width, 0)} wide, as phones drawn at {guess}x are.",
                new("Say what it is drawn at", Place: "screens"));
        }
    }
}
