using Kalypto.Application.Opening;
using Kalypto.Core.Arranging;
using Kalypto.Core.Deciding;
using Kalypto.Core.Designs;
using Kalypto.Store;

namespace Kalypto.Application.Editing;

/// <summary>Splits, names, orders and frames the screens of a design, and says what it was drawn at.</summary>
public sealed class ArrangeScreens(EditStore edits)
{
    /// <summary>Meets a wish.</summary>
    /// <returns>What became of it; nothing when it cannot be met: what it names is not there.</returns>
    /// <exception cref="ArrangingRefusedException">The screens cannot be changed so.</exception>
    public Task<StepDone> RunAsync(Visit visit, int design, ScreenWish wish, CancellationToken cancel)
    {
        var measured = visit.Workspace.FindDesign(design)!.Value.State.Measured;
        return ChangeOf(measured, wish) is var (label, change)
            ? edits.MakeAsync(visit.Author, new(label) { Fields = [FieldChange.Arrangement(design, present => change(new(measured.Drawn, present)))] }, cancel)
            : Task.FromResult(new StepDone(StepState.Gone));
    }

    /// <summary>Says what a design was drawn at.</summary>
    /// <param name="visit">Who does it.</param>
    /// <param name="design">The design.</param>
    /// <param name="drawnAt">Drawing units in one pt: one of <see cref="DrawnScale.Choices"/>.</param>
    /// <param name="cancel">Ends the wait.</param>
    public Task<StepDone> DrawnAtAsync(Visit visit, int design, double drawnAt, CancellationToken cancel) => visit.Workspace.FindDesign(design)!.Value is var (row, state) && !DrawnScale.Choices(state.Measured.Drawn, state.DrawnAt).Contains(drawnAt)
        ? throw new ArgumentOutOfRangeException(nameof(drawnAt))
        : edits.MakeAsync(visit.Author, new($"{row.Name} is drawn at {Numbers.Text(drawnAt)}x") { Fields = [FieldChange.DrawnAt(design, drawnAt)] }, cancel);

    private static (string Label, Func<ScreenEdits, Arrangement> Change)? ChangeOf(MeasuredDrawing drawing, ScreenWish wish) => wish switch
    {
        ScreenWish.Split split when drawing.Proposals.FirstOrDefault(p => p.By == split.By) is { } proposal =>
            ($"Split into {proposal.Screens.Length} screens by {proposal.By}", edits => edits.Split(proposal.Screens)),
        ScreenWish.Add { Layer: { } layer } add when layer >= 0 && layer < drawing.Drawn.Layers.Length && drawing.Shapes[layer] is { } shape =>
            ($"Make a screen of {drawing.Drawn.Layers[layer].Name}", edits => edits.Add(new(add.Name ?? drawing.Drawn.Layers[layer].Name, shape, layer))),
        ScreenWish.Add { Layer: null, Box: { } box } add => ("Add a screen", edits => edits.Add(new(add.Name ?? "", box))),
        ScreenWish.Rename rename => ($"Name the screen {rename.Name.Trim()}", edits => edits.Rename(rename.Root, rename.Name)),
        ScreenWish.Move move => ("Move a screen", edits => edits.Move(move.Root, move.To)),
        ScreenWish.Reframe reframe => ("Change the frame of a screen", edits => edits.Reframe(reframe.Root, reframe.Box)),
        ScreenWish.Remove remove => ("Take a screen away", edits => edits.Remove(remove.Root)),
        _ => null,
    };
}
