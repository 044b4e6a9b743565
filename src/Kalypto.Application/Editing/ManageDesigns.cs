using Kalypto.Application.Opening;
using Kalypto.Store;

namespace Kalypto.Application.Editing;

/// <summary>Names, orders, removes and brings back the designs of a project.</summary>
public sealed class ManageDesigns(EditStore edits)
{
    /// <summary>Names a design; an empty name changes nothing.</summary>
    public Task<StepDone> NameAsync(Visit visit, int design, string name, CancellationToken cancel) => ManageProject.Clean(name, ManageProject.LongestName) is not { Length: > 0 } clean
        ? Task.FromResult(new StepDone(StepState.Nothing))
        : edits.MakeAsync(visit.Author, new($"Name the design {clean}") { Fields = [FieldChange.DesignName(design, clean)] }, cancel);

    /// <summary>Moves a design by so many places in the order.</summary>
    public Task<StepDone> MoveAsync(Visit visit, int design, int by, CancellationToken cancel)
    {
        var order = visit.Workspace.Designs.Select(d => d.Row).ToList();
        var at = order.FindIndex(d => d.Id == design);
        var to = Math.Clamp(at + by, 0, order.Count - 1);
        if (at < 0 || at == to)
        {
            return Task.FromResult(new StepDone(StepState.Nothing));
        }
        var moved = order[at];
        order.RemoveAt(at);
        order.Insert(to, moved);
        return edits.MakeAsync(visit.Author, new($"Move the design {moved.Name}")
        {
            Fields = [.. order.Select((d, i) => (d, Position: i + 1)).Where(d => d.d.Position != d.Position).Select(d => FieldChange.Position(d.d.Id, d.Position))],
        }, cancel);
    }

    /// <summary>Removes a design: gone from sight at once, and kept for a while.</summary>
    public Task<StepDone> RemoveAsync(Visit visit, int design, DateTime now, CancellationToken cancel) =>
        (visit.Workspace.FindDesign(design)?.Row ?? visit.Workspace.Unreadable.FirstOrDefault(u => u.Row.Id == design).Row) is not { } row
        ? Task.FromResult(new StepDone(StepState.Gone))
        : edits.MakeAsync(visit.Author, new($"Remove the design {row.Name}") { Fields = [FieldChange.Removed(design, now)] }, cancel);

    /// <summary>Brings a removed design back, with all that was said of it.</summary>
    public Task<StepDone> BringBackAsync(Visit visit, int design, CancellationToken cancel) =>
        edits.MakeAsync(visit.Author, new("Bring a design back") { Fields = [FieldChange.Removed(design, null)] }, cancel);
}
