using Kalypto.Core.Checking;

namespace Kalypto.Web.Models;

/// <summary>A finding beside the layer that it is about.</summary>
public sealed record FindingModel(string Check, string Severity, string Sentence, string? Fix, bool IsEdit)
{
    /// <summary>Makes it out of a finding of the core.</summary>
    public static FindingModel Of(Finding f) =>
        new(f.Check, f.Severity.ToString().ToLowerInvariant(), f.Sentence, f.Fix?.Label, f.Fix is { Place: null });
}
