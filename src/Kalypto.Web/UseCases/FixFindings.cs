using Kalypto.Core.Checking;
using Kalypto.Core.Naming;
using Kalypto.Core.Suggesting;

namespace Kalypto.Web.UseCases;

/// <summary>Applies the fixes that findings offer, one or all of a check, as one step of the history.</summary>
public sealed class FixFindings(OpenProject open, EditLayers edit, ArrangeLayers arrange)
{
    /// <summary>Fixes the findings of a check.</summary>
    /// <param name="workspace">The project.</param>
    /// <param name="who">Who does it.</param>
    /// <param name="check">The name of the check.</param>
    /// <param name="wanted">Which of its findings.</param>
    /// <param name="cancel">Ends the wait.</param>
    /// <returns>What was done, for people.</returns>
    public async Task<string> RunAsync(Workspace workspace, string who, string check, Func<Finding, bool> wanted, CancellationToken cancel)
    {
        var findings = (await open.PlanAsync(workspace, cancel)).Pack.Findings.Where(f => f.Check == check && f.Fix is { Place: null } && wanted(f)).ToList();
        if (findings.Count == 0)
        {
            return "There is nothing to fix any more";
        }
        // Names offered one by one may be the same; each is given once.
        var label = findings.Count == 1 ? findings[0].Fix!.Label : $"Fix “{check}” for {findings.Count} layers";
        var loose = findings.Where(f => f.Fix!.Together is not null).ToList();
        await edit.FixAsync(workspace, who, label, Distinct(findings.Where(f => f.Fix!.Together is null), workspace), cancel);
        foreach (var design in loose.GroupBy(f => f.Layer.Design))
        {
            var now = (await open.LoadAsync(workspace.Row.Id, cancel))!;
            var ordinals = design.Select(f => f.Layer.Ordinal).ToHashSet();
            List<Suggestion> accepted = [.. now.FindDesign(design.Key)!.Value.State.Suggested().Where(s => ordinals.Contains(s.Layer.Ordinal))];
            await arrange.AcceptAsync(now, who, design.Key, accepted, cancel);
        }
        return findings.Count == 1 ? "Done" : $"Done for {findings.Count} layers";
    }

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
