using Kalypto.Application.Opening;
using Kalypto.Core.Checking;
using Kalypto.Store;

namespace Kalypto.Application.Editing;

/// <summary>Says how much a check matters to a project, switches it off and on, and says of one finding that it is as it should be.</summary>
public sealed class ChangeChecks(EditStore edits)
{
    /// <summary>Gives a check another severity; null for what it comes with.</summary>
    public Task<StepDone> MatterAsync(Visit visit, ICheck check, Severity? severity, CancellationToken cancel) =>
        ChangeAsync(visit, $"Check “{check.Name}”: {(severity is { } said ? said.ToString().ToLowerInvariant() : "as it comes")}", book => book.With(check, severity), cancel);

    /// <summary>Switches a check on or off.</summary>
    public Task<StepDone> SwitchAsync(Visit visit, ICheck check, bool isOn, CancellationToken cancel) =>
        ChangeAsync(visit, $"Check “{check.Name}” {(isOn ? "on" : "off")}", book => book.With(check, isOn), cancel);

    /// <summary>Says of one finding that it is as it should be.</summary>
    public Task<StepDone> SuppressAsync(Visit visit, Finding finding, string reason, CancellationToken cancel) =>
        ChangeAsync(visit, $"“{Checks.Of(finding.Check).Name}” is as it should be{(reason.Length > 0 ? $": {reason}" : "")}", book => book.Suppress(finding, reason), cancel);

    /// <summary>Has a finding told again.</summary>
    public Task<StepDone> AgainAsync(Visit visit, Finding finding, CancellationToken cancel) =>
        ChangeAsync(visit, $"Tell “{Checks.Of(finding.Check).Name}” again", book => book.Again(finding), cancel);

    private Task<StepDone> ChangeAsync(Visit visit, string label, Func<CheckBook, CheckBook> change, CancellationToken cancel) =>
        edits.MakeAsync(visit.Author, new(label) { Fields = [FieldChange.Checks(visit.Workspace.Row.Id, json => change(CheckBook.Read(json)).ToJson())] }, cancel);
}
