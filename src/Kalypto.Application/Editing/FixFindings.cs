using Kalypto.Application.Opening;
using Kalypto.Application.Packs;
using Kalypto.Core.Checking;
using Kalypto.Core.Naming;
using Kalypto.Core.Suggesting;
using Kalypto.Store;

namespace Kalypto.Application.Editing;

/// <summary>Applies the fixes that findings offer, one or all of a check.</summary>
public sealed class FixFindings(OpenProject open, PlanPack plans, EditLayers edit, ArrangeLayers arrange)
{
    /// <summary>Fixes the findings of a check.</summary>
    /// <param name="visit">Who does it.</param>
    /// <param name="check">The id of the check.</param>
    /// <param name="wanted">Which of its findings.</param>
    /// <param name="cancel">Ends the wait.</param>
    /// <returns>What became of it, and how many findings were meant.</returns>
    public async Task<(StepDone Done, int Findings)> RunAsync(Visit visit, string check, Func<Finding, bool> wanted, CancellationToken cancel)
    {
        var findings = (await plans.PlanAsync(visit.Workspace, cancel)).Pack.Findings.Where(f => f.Check == check && f.Fix is { Place: null } && wanted(f)).ToList();
        if (findings.Count == 0)
        {
            return (new(StepState.Nothing), 0);
        }
        var label = findings.Count == 1 ? findings[0].Fix!.Label : $"Fix “{Checks.Of(check).Name}” for {findings.Count} layers";
        var loose = findings.Where(f => f.Fix!.Together is not null).ToList();
        var done = loose.Count == findings.Count ? new(StepState.Nothing)
            : await edit.FixAsync(visit, label, Distinct(findings.Where(f => f.Fix!.Together is null), visit.Workspace), cancel);
        foreach (var design in loose.GroupBy(f => f.Layer.Design))
        {
            if (await open.LoadAsync(visit.Workspace.Row.Id, cancel) is not { } now || now.FindDesign(design.Key) is not var (_, state))
            {
                return (new(StepState.Gone), findings.Count);
            }
            var ordinals = design.Select(f => f.Layer.Ordinal).ToHashSet();
            done = await arrange.AcceptAsync(visit with { Workspace = now }, design.Key, [.. state.Suggested().Where(s => ordinals.Contains(s.Layer.Ordinal))], cancel);
        }
        return (done, findings.Count);
    }

    // Names offered one by one may be the same; each is given once.
    private static List<Finding> Distinct(IEnumerable<Finding> findings, Workspace workspace)
    {
        var taken = workspace.States.SelectMany(s => s.Marks.Values).Select(m => m.ShipName).OfType<string>().ToHashSet(StringComparer.OrdinalIgnoreCase);
        var fixes = new List<Finding>();
        foreach (var finding in findings)
        {
            var fix = finding.Fix!;
            if (fix.ShipName is { } name && fix.Apart is null)
            {
                var free = FreeName.Of(name, taken.Contains);
                taken.Add(free);
                fix = fix with { ShipName = free };
            }
            fixes.Add(finding with { Fix = fix });
        }
        return fixes;
    }
}
