using Kalypto.Application.Desk;
using Kalypto.Application.Opening;
using Kalypto.Core.Naming;
using Kalypto.Store;

namespace Kalypto.Application.Drafts;

/// <summary>Mends what a file was taken for: a draft that is another design, a design that is the next draft of one.</summary>
public sealed class SortDrafts(DesignStore designs, HoldDraft drafts, EditStore edits, DrawingCache cache)
{
    /// <summary>Makes a design of its own out of the draft that holds, and lets the one before it hold again.</summary>
    /// <returns>The new design; null when that cannot be.</returns>
    public async Task<int?> ApartAsync(Visit visit, int design, CancellationToken cancel)
    {
        if (visit.Workspace.FindDesign(design) is not var (row, state) || (await designs.DraftsAsync(design, cancel)).Find(d => d.Id == row.DraftId) is not { Follows: { } before } draft
            || (await drafts.HoldAsync(visit.Author, design, before, cancel)).State != StepState.Done)
        {
            return null;
        }
        var file = await designs.FilesAsync([draft.Id], cancel).SingleAsync(cancel);
        var name = FreeName.Of(row.Name, taken => visit.Workspace.Designs.Any(d => d.Row.Name == taken), " ");
        return await designs.AddAsync(visit.Author, new(name, state.DrawnAt, draft.FileName, file.File, file.Shapes) { MeasuredWith = file.MeasuredWith, Merged = file.Merged }, cancel);
    }

    /// <summary>Makes a design the next draft of another one, and removes it as a design.</summary>
    /// <returns>The draft; null when that cannot be.</returns>
    public async Task<DraftRow?> JoinAsync(Visit visit, int design, int into, DateTime now, CancellationToken cancel)
    {
        if (design == into || visit.Workspace.FindDesign(design) is not var (row, _) || visit.Workspace.FindDesign(into) is null)
        {
            return null;
        }
        var own = (await designs.DraftsAsync(design, cancel)).Find(d => d.Id == row.DraftId)!;
        var file = await designs.FilesAsync([own.Id], cancel).SingleAsync(cancel);
        var drawing = new ReadDrawing(own.FileName, file.File, (await cache.GetAsync([own.Id], cancel))[own.Id]);
        if (await drafts.BringAsync(visit.Author, into, drawing, cancel) is not { } draft)
        {
            return null;
        }
        await edits.MakeAsync(visit.Author, new($"Remove the design {row.Name}: it is draft {draft.Number} of another") { Fields = [FieldChange.Removed(design, now)] }, cancel);
        return draft;
    }
}
