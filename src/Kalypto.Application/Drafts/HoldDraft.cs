using Kalypto.Application.Desk;
using Kalypto.Application.Opening;
using Kalypto.Core.Arranging;
using Kalypto.Core.Comparing;
using Kalypto.Core.Deciding;
using Kalypto.Core.Designs;
using Kalypto.Core.Tagging;
using Kalypto.Store;

namespace Kalypto.Application.Drafts;

/// <summary>Brings in the next draft of a design, makes an earlier one hold again, and says which layers are the same.</summary>
public sealed class HoldDraft(ProjectStore projects, DesignStore designs, EditStore edits, DrawingCache cache, OpenProject open)
{
    private const int MostEarlier = 6;
    private const int Tries = 4;

    /// <summary>Adds a drawing as the next draft of a design, with all that is said carried over.</summary>
    /// <param name="author">Who brings it.</param>
    /// <param name="design">The design.</param>
    /// <param name="drawing">The drawing.</param>
    /// <param name="cancel">Ends the wait.</param>
    /// <param name="taken">Where it was taken from; null for a file that somebody brought.</param>
    /// <returns>The draft; null when the design is not there any more or nothing in the project may change.</returns>
    public async Task<DraftRow?> BringAsync(Author author, int design, ReadDrawing drawing, CancellationToken cancel, Taken? taken = null)
    {
        for (var tries = 0; tries < Tries; tries++)
        {
            var drafts = await designs.DraftsAsync(design, cancel);
            if (await designs.HeldAsync(author.Project, design, cancel) is not { } held || drafts.Find(d => d.Id == held.DraftId) is not { } present)
            {
                return null;
            }
            var earlier = drafts.Where(d => d.Id != present.Id).Take(MostEarlier).ToList();
            var drawn = await cache.GetAsync([.. earlier.Prepend(present).Select(d => d.Id)], cancel);
            var given = await designs.LineagesAsync(design, cancel);
            var from = new DraftDrawing(drawn[present.Id], present.Lineages);
            var carried = await Task.Run(() => CarryOver.To(drawing.Measured, from, earlier.Select(d => new DraftDrawing(drawn[d.Id], d.Lineages)), given), cancel);
            var to = new DraftDrawing(drawing.Measured, carried.Lineages);
            var drawnAt = DraftScale.Of(held.DrawnAt, from, to);
            var ownNames = SplitRepeats.Names(from, to, await designs.MarksAsync(design, cancel), await ElsewhereAsync(author.Project, design, cancel));
            var next = new NewDraft(design, present.Id, drawing.FileName, drawing.File, drawing.Measured.Shapes, [.. carried.Lineages.Numbers], KeptPair.Write(carried.Pairs),
                $"Bring in draft {drafts[0].Number + 1} of {held.Name}{At(held.DrawnAt, drawnAt)}", kept => kept.Follow(from, to))
            {
                DrawnAt = drawnAt,
                Names = carried.Names.Where(n => !ownNames.ContainsKey(n.Key)).ToDictionary(),
                OwnNames = ownNames,
                Ships = await ShipsAsync(author.Project, drawing, drawn[present.Id], present.Lineages, carried.Lineages, cancel),
                Taken = taken,
                MeasuredWith = drawing.Measured.Drawn.Fonts.Key,
                Merged = drawing.Measured.Merged,
            };
            if (await designs.AddDraftAsync(author, next, cancel) is { } added)
            {
                return (await designs.DraftsAsync(design, cancel)).Find(d => d.Id == added);
            }
        }
        return null;
    }

    // What ships in the other designs of the project, and what it is called.
    private async Task<IReadOnlyCollection<(Fingerprint Drawing, string Name)>> ElsewhereAsync(int project, int design, CancellationToken cancel) =>
        await open.LoadAsync(project, cancel) is not { } workspace ? [] : [.. workspace.States.Where(s => s.Id != design).SelectMany(s => s.Marks
            .Where(m => m.Value.Decision == Decision.Ship && !m.Value.Apart && m.Key < s.Layers.Length && s.Measured.RepeatKeys[m.Key] is not null)
            .Select(m => (s.Measured.RepeatKeys[m.Key]!.Value, m.Value.NameOf(s.Layers[m.Key]))))];

    // What the draft before said too was decided then, by it or against it.
    private async Task<IReadOnlyCollection<int>> ShipsAsync(int project, ReadDrawing drawing, MeasuredDrawing before, Lineages beforeLineages, Lineages lineages, CancellationToken cancel)
    {
        var book = RecipeBookJson.Read((await projects.FindAsync(project, cancel))?.Recipes ?? "");
        var known = DrawnDecisions.ShippedBy(before.Drawn, book).Select(beforeLineages.Of).ToHashSet();
        return [.. DrawnDecisions.ShippedBy(drawing.Measured.Drawn, book).Select(lineages.Of).Where(l => !known.Contains(l))];
    }

    /// <summary>Makes any draft of a design the one that holds. All drafts stay.</summary>
    public async Task<StepDone> HoldAsync(Author author, int design, int draft, CancellationToken cancel)
    {
        var drafts = await designs.DraftsAsync(design, cancel);
        if (await designs.HeldAsync(author.Project, design, cancel) is not { } held || drafts.Find(d => d.Id == held.DraftId) is not { } present || drafts.Find(d => d.Id == draft) is not { } wanted)
        {
            return new(StepState.Gone);
        }
        var (drawn, _) = await cache.GetReadableAsync([present.Id, draft], cancel);
        var drawnAt = drawn.Count < 2 ? held.DrawnAt : DraftScale.Of(held.DrawnAt, new(drawn[present.Id], present.Lineages), new(drawn[draft], wanted.Lineages));
        // A name that the drawing gave later, and that files took, stays: the one of before may be what was wrong.
        var names = drawn.Count < 2 || wanted.Number > present.Number ? new Dictionary<int, string>() : (await designs.MarksAsync(design, cancel))
            .Where(m => m.Value is { Decision: Decision.Ship, ShipName: null }).Select(m => (Now: present.Lineages.OrdinalOf(m.Key), Then: wanted.Lineages.OrdinalOf(m.Key)))
            .Where(l => l is { Now: not null, Then: not null } && !drawn[present.Id].IsNotNamed(LayerIn(present, l.Now)) && LayerIn(present, l.Now).Name != LayerIn(wanted, l.Then).Name)
            .ToDictionary(l => l.Then!.Value, l => LayerIn(present, l.Now).Name);
        return await edits.MakeAsync(author, new($"Go {(wanted.Number < present.Number ? "back" : "on")} to draft {wanted.Number} of {held.Name}{At(held.DrawnAt, drawnAt)}")
        {
            Fields =
            [
                // Frames cannot follow from or to a drawing that cannot be read any more: they stay where they are.
                FieldChange.KeptArrangement(design, kept => drawn.Count < 2 ? kept : kept.Follow(new(drawn[present.Id], present.Lineages), new(drawn[draft], wanted.Lineages))),
                FieldChange.Draft(design, draft),
                .. drawnAt == held.DrawnAt ? Array.Empty<FieldChange>() : [FieldChange.DrawnAt(design, drawnAt)],
            ],
            Layers = [.. names.Keys.Select(o => new LayerKey(draft, o))],
            Say = (layer, mark) => mark is { Decision: Decision.Ship, ShipName: null } ? mark with { ShipName = names[layer.Ordinal] } : mark ?? Mark.None,
        }, cancel);

        Layer LayerIn(DraftRow of, int? ordinal) => drawn[of.Id].Drawn.Layers[ordinal!.Value];
    }

    private static string At(double before, double now) => before == now ? "" : $", drawn at {Numbers.Text(now, 2)}x";

    /// <summary>Says that a layer of the draft that holds is one that is gone from it: it gets what was said of that.</summary>
    /// <param name="visit">Who says it.</param>
    /// <param name="design">The design.</param>
    /// <param name="layer">The layer, by ordinal.</param>
    /// <param name="lineage">What is gone, by its lineage.</param>
    /// <param name="cancel">Ends the wait.</param>
    public async Task<StepDone> GiveAsync(Visit visit, int design, int layer, int lineage, CancellationToken cancel)
    {
        var drafts = await designs.DraftsAsync(design, cancel);
        if (visit.Workspace.FindDesign(design) is not var (row, state) || layer < 1 || layer >= state.Measured.Drawn.Layers.Length || drafts.Find(d => d.Id == row.DraftId) is not { } draft
            || !drafts.Exists(d => d.Lineages.OrdinalOf(lineage) is not null))
        {
            return new(StepState.Gone);
        }
        // Somebody gave it away meanwhile, or decided on the layer itself, which would be lost.
        if (draft.Lineages.OrdinalOf(lineage) is not null || state.MarkOf(state.Layers[layer]).Decision != Decision.Open)
        {
            return new(StepState.Nothing);
        }
        return await edits.MakeAsync(visit.Author, new($"Say that {state.Layers[layer].Name} is the same as before")
        {
            Fields =
            [
                FieldChange.LineagesOf(draft.Id, Enumerable.Range(0, draft.Lineages.Count).Select(o => o == layer ? lineage : draft.Lineages.Of(o))),
                FieldChange.Pairs(draft.Id, before => KeptPair.Write([.. KeptPair.Read(before).Where(p => p.New != layer), new(layer, lineage, PairGrade.Sure, PairReason.Said)])),
            ],
        }, cancel);
    }

    /// <summary>Says of layers of the draft that holds whether each is the one that it is asked about.</summary>
    /// <param name="visit">Who says it.</param>
    /// <param name="design">The design.</param>
    /// <param name="said">The layers by ordinal, and whether they are the same as before.</param>
    /// <param name="cancel">Ends the wait.</param>
    public async Task<StepDone> SayAsync(Visit visit, int design, IReadOnlyDictionary<int, bool> said, CancellationToken cancel)
    {
        if (visit.Workspace.FindDesign(design) is not var (row, state) || (await designs.DraftsAsync(design, cancel)).Find(d => d.Id == row.DraftId) is not { } draft)
        {
            return new(StepState.Gone);
        }
        var asked = KeptPair.Read(draft.Pairs).Where(p => p.Grade == PairGrade.Unsure && said.ContainsKey(p.New)).ToList();
        var same = asked.Where(p => said[p.New] && row.Lineages.OrdinalOf(p.Old) is null).DistinctBy(p => p.Old).ToDictionary(p => p.New, p => p.Old);
        if (asked.Count == 0)
        {
            return new(StepState.Nothing);
        }
        var names = asked.Count == 1 ? state.Layers[asked[0].New].Name : $"{asked.Count} layers";
        return await edits.MakeAsync(visit.Author, new($"Say that {names} {(asked.Count == 1 ? "is" : "are")} {(said[asked[0].New] ? "the same as before" : "new")}")
        {
            Fields =
            [
                FieldChange.LineagesOf(draft.Id, Enumerable.Range(0, draft.Lineages.Count).Select(o => same.TryGetValue(o, out var lineage) ? lineage : draft.Lineages.Of(o))),
                // What was said to be another is asked no more.
                FieldChange.Pairs(draft.Id, before => KeptPair.Write([.. KeptPair.Read(before).Select(p => same.ContainsKey(p.New) ? p with { Grade = PairGrade.Sure, Reason = PairReason.Said } : p)
                    .Where(p => p.Grade != PairGrade.Unsure || !said.ContainsKey(p.New))])),
            ],
        }, cancel);
    }
}
