using Kalypto.Core.Checking;

namespace Kalypto.Web.Models;

/// <summary>A finding beside the layer that it is about.</summary>
/// <param name="Check">The id of its check.</param>
/// <param name="Name">What the check looks for.</param>
/// <param name="Severity">How much it matters.</param>
/// <param name="Sentence">What was found.</param>
/// <param name="Fix">What would settle it, or null.</param>
/// <param name="IsEdit">True when that can be done here.</param>
/// <param name="Question">The number of the question that it is about; null for none.</param>
public sealed record FindingModel(string Check, string Name, string Severity, string Sentence, string? Fix, bool IsEdit, int? Question = null)
{
    /// <summary>Makes it out of a finding of the core.</summary>
    public static FindingModel Of(Finding f) =>
        new(f.Check, Checks.Of(f.Check).Name, f.Severity.ToString().ToLowerInvariant(), f.Sentence, f.Fix?.Label, f.Fix is { Place: null }, QuestionOf(f));

    /// <summary>The number of the question that a finding is about; null for any other.</summary>
    public static int? QuestionOf(Finding f) => f.Check == "asked" && int.TryParse(f.About, out var question) ? question : null;
}
