using Kalypto.Application.Opening;
using Kalypto.Application.Packs;
using Kalypto.Core.Checking;

namespace Kalypto.Web.Models;

/// <summary>The findings of a project, by check.</summary>
/// <param name="Blockers">Findings that must be settled before a build.</param>
/// <param name="Warnings">Findings that are probably not wanted.</param>
/// <param name="Hints">Findings worth knowing.</param>
/// <param name="Checks">Checks that found something, the worst first.</param>
/// <param name="Suppressed">Findings that somebody said are as they should be.</param>
/// <param name="Off">Checks that are off.</param>
public sealed record ChecksModel(int Blockers, int Warnings, int Hints, IReadOnlyList<CheckModel> Checks, IReadOnlyList<CheckFinding> Suppressed, IReadOnlyList<CheckModel> Off)
{
    private const int MostShown = 200;

    /// <summary>Puts it together.</summary>
    public static ChecksModel Of(Workspace workspace, PlannedPack plan)
    {
        var findings = plan.Pack.Findings;
        var book = CheckBook.Read(workspace.Row.Checks);
        return new(findings.Count(f => f.Severity == Severity.Blocker), findings.Count(f => f.Severity == Severity.Warning), findings.Count(f => f.Severity == Severity.Hint),
            [.. findings.GroupBy(f => f.Check).OrderBy(g => g.Min(f => f.Severity)).ThenByDescending(g => g.Count()).Select(g => Of(workspace, book, Core.Checking.Checks.Of(g.Key), [.. g]))],
            [.. plan.Pack.Suppressed.Take(MostShown).Select(s => CheckFinding.Of(workspace, s.Finding, s.Reason))],
            [.. book.Off.Select(id => Of(workspace, book, Core.Checking.Checks.Of(id), []))]);
    }

    private static CheckModel Of(Workspace workspace, CheckBook book, ICheck check, IReadOnlyList<Finding> findings) => new(
        check.Id, check.Name, findings.Count == 0 ? "off" : findings.Min(f => f.Severity).ToString().ToLowerInvariant(), findings.Count, findings.Count(f => f.Fix is { Place: null }),
        check.Text.What, check.Text.Why, check.Text.Remedy, check.IsEssential, book.Severities.ContainsKey(check.Id), [.. findings.Take(MostShown).Select(f => CheckFinding.Of(workspace, f))]);
}
