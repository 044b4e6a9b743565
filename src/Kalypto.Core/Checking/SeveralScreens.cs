namespace Kalypto.Core.Checking;

/// <summary>A board that probably holds several screens.</summary>
public sealed class SeveralScreens : ICheck
{
    /// <inheritdoc/>
    public string Name => "several screens on one board";

    /// <inheritdoc/>
    public IEnumerable<Finding> Run(CheckedPlan plan) => plan.Designs
        .Select(design => (Design: design, Proposal: design.Measured.Proposals.FirstOrDefault()))
        .Where(p => p.Proposal is not null)
        .Select(p => new Finding(Name, Severity.Warning, new(p.Design.Id, 0),
            $"“{p.Design.Name}” is one screen by now, but shows {p.Proposal!.Why}.", new("Split it into screens", Place: "screens")));
}
