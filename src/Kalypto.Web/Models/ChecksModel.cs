using Kalypto.Core.Checking;
using Kalypto.Web.UseCases;

namespace Kalypto.Web.Models;

/// <summary>The findings of a project, by check.</summary>
public sealed record ChecksModel(int Blockers, int Warnings, int Hints, IReadOnlyList<CheckModel> Checks)
{
    private const int MostShown = 200;

    /// <summary>Puts it together.</summary>
    public static ChecksModel Of(Workspace workspace, PlannedPack plan)
    {
        var findings = plan.Pack.Findings;
        return new(findings.Count(f => f.Severity == Severity.Blocker), findings.Count(f => f.Severity == Severity.Warning), findings.Count(f => f.Severity == Severity.Hint),
            [.. findings.GroupBy(f => f.Check).OrderBy(g => g.Min(f => f.Severity)).ThenByDescending(g => g.Count()).Select(g => new CheckModel(
                g.Key, g.Min(f => f.Severity).ToString().ToLowerInvariant(), g.Count(), g.Count(f => f.Fix is { Place: null }),
                [.. g.Take(MostShown).Select(f => new CheckFinding(f.Layer.Design, f.Layer.Ordinal, f.Sentence, f.Fix?.Label, f.Fix is { Place: null },
                    f.Fix?.Place == "screens" ? $"/projects/{workspace.Row.Id}/designs/{f.Layer.Design}/screens" : Links.Layer(workspace, f.Layer)))]))]);
    }
}
