using Kalypto.Core.Deciding;

namespace Kalypto.Core.Checking;

/// <summary>A board that probably holds several screens.</summary>
public sealed class SeveralScreens : DesignCheck
{
    /// <inheritdoc/>
    public override string Id => "several-screens-on-one-board";

    /// <inheritdoc/>
    public override string Name => "several screens on one board";

    /// <inheritdoc/>
    public override CheckText Text { get; } = new(
        "Boards that are one screen by now and show several.",
        "Names, crops and progress go by screens.",
        "A board of twelve phone screens in a row.",
        "Split it, on the screens page.");

    /// <inheritdoc/>
    protected override IEnumerable<Finding> Run(DesignState design)
    {
        if (design.Measured.Proposals.FirstOrDefault() is { } proposal)
        {
            yield return new(Id, Severity.Warning, new(design.Id, 0), $"“{design.Name}” is one screen by now, but shows {proposal.Why}.", new("Split it into screens", Place: "screens"));
        }
    }
}
