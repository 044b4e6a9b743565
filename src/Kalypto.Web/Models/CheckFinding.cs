using Kalypto.Application.Opening;
using Kalypto.Core.Checking;

namespace Kalypto.Web.Models;

/// <summary>A finding with where it is.</summary>
/// <param name="Check">The id of its check.</param>
/// <param name="Design">The design.</param>
/// <param name="Layer">The layer.</param>
/// <param name="About">What of the layer, where a check finds several things of one.</param>
/// <param name="Sentence">What was found.</param>
/// <param name="Fix">What would settle it, or null.</param>
/// <param name="IsEdit">True when that can be done here.</param>
/// <param name="Link">Where it is.</param>
/// <param name="Reason">Why it is as it should be, where somebody said so.</param>
/// <param name="Question">The number of the question that it is about; null for none.</param>
public sealed record CheckFinding(string Check, int Design, int Layer, string About, string Sentence, string? Fix, bool IsEdit, string Link, string? Reason = null, int? Question = null)
{
    /// <summary>Makes it out of a finding of the core.</summary>
    public static CheckFinding Of(Workspace workspace, Finding f, string? reason = null) => new(
        f.Check, f.Layer.Design, f.Layer.Ordinal, f.About, f.Sentence, f.Fix?.Label, f.Fix is { Place: null },
        f.Fix?.Place == "screens" ? $"/projects/{workspace.Row.Id}/designs/{f.Layer.Design}/screens" : Links.Layer(workspace, f.Layer), reason, FindingModel.QuestionOf(f));
}
