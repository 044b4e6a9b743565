using Kalypto.Core.Arranging;
using Kalypto.Core.Designs;

namespace Kalypto.Core.Checking;

/// <summary>A design whose screens have the size of a device at another scale than it says it was drawn at.</summary>
public sealed class DrawnAtGuess : ICheck
{
    /// <inheritdoc/>
    public string Name => "drawn at another scale";

    /// <inheritdoc/>
    public IEnumerable<Finding> Run(CheckedPlan plan)
    {
        foreach (var design in plan.Designs)
        {
            var boxes = design.Measured.Drawing.Screens.Select(s => s.Box).ToList();
            var guess = DeviceSizes.DrawnAt(boxes);
            if (guess > design.DrawnAt && design.DrawnAt == 1)
            {
                yield return new(Name, Severity.Hint, new(design.Id, 0),
                    $"“{design.Name}” says that it is drawn at {design.DrawnAt}x, but its screens are {Numbers.Text(boxes[0].Width, 0)} wide, as phones drawn at {guess}x are.",
                    new("Say what it is drawn at", Place: "screens"));
            }
        }
    }
}
