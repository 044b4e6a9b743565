using Kalypto.Application.Desk;
using Kalypto.Application.Drafts;
using Kalypto.Core.Deciding;
using Kalypto.Core.Designs;
using Kalypto.Core.Isolating;
using Kalypto.Store;

namespace Kalypto.Application.Packs;

/// <summary>Pictures of screens and layers for pages. One design is asked for, never its whole project.</summary>
public sealed class LayerPictures(ProjectStore projects, DrawingCache cache, OpenDraft drafts, DrawingDesk desk, DrawingStore store)
{
    private const int ThumbnailSide = 72;
    private const int MostSampleSide = 640;
    private const int MostScreenSide = 3000;
    private const double ScreenScale = 2;

    // An icon that is a screen by itself is looked at as large as any other.
    private const int LeastScreenSide = 480;

    /// <summary>What came of asking for a picture.</summary>
    /// <param name="IsThere">False when there is no such design, screen or layer.</param>
    /// <param name="Png">The picture; null when there is nothing to see.</param>
    public sealed record Answer(bool IsThere, byte[]? Png)
    {
        /// <summary>There is no such thing.</summary>
        public static Answer NotThere { get; } = new(false, null);
    }

    /// <summary>A screen, at twice its points, in the draft that holds or another one.</summary>
    public Task<Answer> ScreenAsync(int project, int design, int root, int? draft, CancellationToken cancel) =>
        WithAsync(project, design, draft, (row, state) => ScreenAsync(row, state, root, cancel), cancel);

    /// <summary>A screen of a design that was opened already, such as one of a delivery.</summary>
    public async Task<Answer> ScreenAsync(DesignRow row, DesignState state, int root, CancellationToken cancel) =>
        state.Measured.Drawing.Screens.FirstOrDefault(s => s.Root.Ordinal == root) is { } screen
            ? await DrawAsync(row, state, screen.Root, Isolation.Of(state.Measured.Drawing, screen.Root), screen.Box, Math.Max(LeastScreenSide, Side(screen.Box, state.DrawnAt)), cancel) : Answer.NotThere;

    /// <summary>A whole drawing.</summary>
    public Task<Answer> BoardAsync(int project, int design, CancellationToken cancel) => WithAsync(project, design, null, async (row, state) =>
        state.Measured.Drawn is var drawn ? await DrawAsync(row, state, drawn.Layers[0], Isolation.Of(drawn, drawn.Layers[0]), drawn.Box, Side(drawn.Box, 1), cancel) : Answer.NotThere, cancel);

    /// <summary>A layer, small or as a sample of it, in the draft that holds or another one.</summary>
    public Task<Answer> LayerAsync(int project, int design, int ordinal, int? draft, bool isSample, CancellationToken cancel) =>
        WithAsync(project, design, draft, (row, state) => LayerAsync(row, state, ordinal, isSample, cancel), cancel);

    /// <summary>A layer of a design that was opened already, such as one of a delivery.</summary>
    public async Task<Answer> LayerAsync(DesignRow row, DesignState state, int ordinal, bool isSample, CancellationToken cancel)
    {
        if (ordinal < 0 || ordinal >= state.Layers.Length)
        {
            return Answer.NotThere;
        }
        var layer = state.Layers[ordinal];
        var box = layer.Content == LayerContent.Screen ? state.Measured.ScreenOf(layer)?.Box ?? state.Measured.ShapeOf(layer)
            : (await desk.LookAsync(Jobs.Look(desk, row, state, layer), cancel)).Ink;
        return box is { } shown ? await DrawAsync(row, state, layer, state.Isolate(layer), shown, isSample ? Math.Min(MostSampleSide, Side(shown, state.DrawnAt)) : ThumbnailSide, cancel) : new(true, null);
    }

    private async Task<Answer> WithAsync(int project, int design, int? draft, Func<DesignRow, DesignState, Task<Answer>> draw, CancellationToken cancel)
    {
        if (await projects.DesignAsync(project, design, cancel) is not var (row, marks))
        {
            return Answer.NotThere;
        }
        if (draft is { } other && other != row.DraftId)
        {
            return await drafts.RunAsync(row, marks, other, cancel) is var (then, state) ? await draw(then, state) : Answer.NotThere;
        }
        var drawing = await cache.GetAsync(row.DraftId, row.Arrangement, row.Fonts, cancel);
        return await draw(row, new(row.Id, row.Name, row.DrawnAt, drawing, marks));
    }

    private async Task<Answer> DrawAsync(DesignRow row, DesignState state, Layer layer, Isolation isolation, Box box, int side, CancellationToken cancel)
    {
        var drawn = await desk.DrawAsync(Jobs.Quick(desk, row, state, layer, isolation, box, side), cancel);
        return new(true, drawn.Sha256 is null ? null : await store.BytesAsync(drawn.Key, cancel));
    }

    private static int Side(Box box, double drawnAt) => (int)Math.Clamp(Math.Max(box.Width, box.Height) / drawnAt * ScreenScale, 1, MostScreenSide);
}
