using Kalypto.Core.Deciding;

namespace Kalypto.Core.Checking;

/// <summary>Layers that lie on no screen, so that nobody meets them on a bench.</summary>
public sealed class OffScreen : DesignCheck
{
    /// <inheritdoc/>
    public override string Id => "layers-on-no-screen";

    /// <inheritdoc/>
    public override string Name => "layers on no screen";

    /// <inheritdoc/>
    public override CheckText Text { get; } = new(
        "Layers that lie on no screen.",
        "Nobody meets them on a bench, so nobody decides on them.",
        "An icon set beside the screens of a board.",
        "Draw the frame of a screen around them.");

    /// <inheritdoc/>
    protected override IEnumerable<Finding> Run(DesignState design)
    {
        var off = design.Layers.Where(l => l.Parent is not null && l.Children.Count == 0 && !l.HiddenHere && design.Measured.ScreenOf(l) is null).ToList();
        if (off.Count > 0)
        {
            yield return new(Id, Severity.Hint, new(design.Id, off[0].Ordinal),
                $"{off.Count} layer{(off.Count == 1 ? " lies" : "s lie")} on no screen of “{design.Name}”, “{off[0].Name}” among them, and will not be met on a bench.",
                new("See the screens", Place: "screens"));
        }
    }
}
