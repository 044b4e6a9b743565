namespace Kalypto.Core.Checking;

/// <summary>Layers that lie on no screen, so that nobody meets them on a bench.</summary>
public sealed class OffScreen : ICheck
{
    /// <inheritdoc/>
    public string Name => "layers on no screen";

    /// <inheritdoc/>
    public IEnumerable<Finding> Run(CheckedPlan plan)
    {
        foreach (var design in plan.Designs)
        {
            var off = design.Layers.Where(l => l.Parent is not null && l.Children.Count == 0 && !l.HiddenHere && design.Measured.ScreenOf(l) is null).ToList();
            if (off.Count > 0)
            {
                yield return new(Name, Severity.Hint, new(design.Id, off[0].Ordinal),
                    $"{off.Count} layer{(off.Count == 1 ? " lies" : "s lie")} on no screen of “{design.Name}”, “{off[0].Name}” among them, and will not be met on a bench.",
                    new("See the screens", Place: "screens"));
            }
        }
    }
}
