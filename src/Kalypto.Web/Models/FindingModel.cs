using Kalypto.Core.Checking;

namespace Kalypto.Web.Models;

/// <summary>A finding beside the layer that it is about.</summary>
public sealed record FindingModel(string Severity, string Sentence, string? Fix, string? ShipName, string? Decision, string? Tags)
{
    /// <summary>Makes it out of a finding of the core.</summary>
    public static FindingModel Of(Finding f) =>
        new(f.Severity.ToString().ToLowerInvariant(), f.Sentence, f.Fix?.Label, f.Fix?.ShipName, f.Fix?.Decision?.ToString(), f.Fix?.Tags);
}
