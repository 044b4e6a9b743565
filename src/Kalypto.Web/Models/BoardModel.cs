using Kalypto.Application.Opening;
using Kalypto.Core.Arranging;
using Kalypto.Core.Designs;
using Kalypto.Web.Wording;

namespace Kalypto.Web.Models;

/// <summary>A whole drawing with the frames of its screens, to split it.</summary>
/// <param name="Width">Width of the drawing in drawing units.</param>
/// <param name="Height">Height of the drawing in drawing units.</param>
/// <param name="Left">Left edge in drawing units.</param>
/// <param name="Top">Top edge in drawing units.</param>
/// <param name="DrawnAt">Drawing units in one pt.</param>
/// <param name="DrawnAtGuess">What it is drawn at, as its file says or by the look of its screens.</param>
/// <param name="Screens">The screens.</param>
/// <param name="Proposals">Ways to split it.</param>
/// <param name="Groups">Layers large enough to be a screen.</param>
/// <param name="Done">What was done, for people.</param>
public sealed record BoardModel(
    double Width, double Height, double Left, double Top, double DrawnAt, double DrawnAtGuess, IReadOnlyList<BoardScreen> Screens,
    IReadOnlyList<BoardProposal> Proposals, IReadOnlyList<BoardGroup> Groups, string? Done)
{
    private const double NarrowestScreen = 160;
    private const int MostGroups = 200;

    /// <summary>Puts it together.</summary>
    public static BoardModel Of(Workspace workspace, int design, string? done)
    {
        var (row, state) = workspace.FindDesign(design)!.Value;
        var drawing = state.Measured.Drawing;
        var roots = drawing.Screens.Select(s => s.Root.Ordinal).ToHashSet();
        return new(
            drawing.Box.Width, drawing.Box.Height, drawing.Box.X, drawing.Box.Y, row.DrawnAt, DrawnScale.Of(drawing),
            [.. drawing.Screens.Select(s => new BoardScreen(s.Root.Ordinal, s.Name, Numbers(s.Box), Words.Size(state.ToPoints(s.Box)), DeviceSizes.Of(state.ToPoints(s.Box)),
                state.Measured.LayersOf(s).Count - 1, $"/projects/{workspace.Row.Id}/bench/{design}/{s.Root.Ordinal}"))],
            [.. state.Measured.Proposals.Select(p => new BoardProposal(p.By, p.Why, [.. p.Screens.Select(s => Numbers(s.Box))], [.. p.Screens.Select(s => s.Name)]))],
            [.. drawing.Layers.Where(l => l.Content is LayerContent.Group or LayerContent.Screen && l.Parent is not null && !roots.Contains(l.Ordinal) && l.Ordinal < state.Measured.Drawn.Layers.Length
                && state.Measured.Shapes[l.Ordinal] is { Width: >= NarrowestScreen, Height: >= NarrowestScreen })
                .Take(MostGroups).Select(l => new BoardGroup(l.Ordinal, l.Name, Numbers(state.Measured.Shapes[l.Ordinal]!.Value), Words.Size(state.ToPoints(state.Measured.Shapes[l.Ordinal]!.Value))))],
            done);
    }

    private static double[] Numbers(Box box) => [box.X, box.Y, box.Width, box.Height];
}
