using Kalypto.Core.Checking;

namespace Kalypto.Web.Models;

/// <summary>A finding beside the layer that it is about.</summary>
/// <param name="Check">The id of its check.</param>
/// <param name="Name">What the check looks for.</param>
/// <param name="Severity">How much it matters.</param>
/// <param name="Sentence">What was found.</param>
/// <param name="Fix">What would settle it, or null.</param>
/// <param name="IsEdit">True when that can be done here.</param>
public sealed record FindingModel(string Check, string Name, string Severity, string Sentence, string? Fix, bool IsEdit)
{
    /// <summary>Makes it out of a finding of the core.</summary>
    public static FindingModel Of(Finding f) =>
        new(f.Check, Checks.Of(f.Check).Name, f.Severity.ToString().ToLowerInvariant(), f.Sentence, f.Fix?.Label, f.Fix is { Place: null });
}
