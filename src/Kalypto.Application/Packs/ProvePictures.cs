using System.Globalization;
using Kalypto.Application.Desk;
using Kalypto.Application.Opening;
using Kalypto.Core.Packing;
using Kalypto.Store;

namespace Kalypto.Application.Packs;

/// <summary>Asks for the proof of pictures before they are delivered: their crops, at their largest scale.</summary>
public sealed class ProvePictures(DrawingDesk desk, PictureProofs proofs)
{
    // Goes up when proof is found in another way.
    private const string Way = "1";

    // What is drawn of shapes is shown at any scale; screens have three px a pt at the most.
    private const double ScaleOfShapes = 3;

    /// <summary>Queues the proof of those pictures that are not proved yet.</summary>
    /// <param name="workspace">The project.</param>
    /// <param name="files">Files to come.</param>
    /// <param name="cancel">Ends the wait.</param>
    /// <param name="priority">How urgent they are, the smallest first.</param>
    /// <returns>How many pictures are left to prove, and how many could not be drawn by both engines; none where there is no exact engine.</returns>
    public Task<(int Left, int Failed)> AskAsync(Workspace workspace, IEnumerable<PlannedFile> files, CancellationToken cancel, int priority = DrawingQueue.Proving) => proofs.Engines is not { } engines ? Task.FromResult((0, 0))
        : proofs.AskAsync(files.Where(f => f.Picture is { CropIsGuess: false, IsExact: false, Crop: not null }).GroupBy(f => (f.Picture.Ref, f.Picture.Key)).Select(g => JobOf(workspace, g, engines)).OfType<DrawingJob>(), priority, cancel);

    private DrawingJob? JobOf(Workspace workspace, IEnumerable<PlannedFile> files, string engines)
    {
        var largest = files.MaxBy(f => SizeOf(f).Width)!;
        var (row, state) = workspace.FindDesign(largest.Picture.Ref.Design)!.Value;
        var (layer, source) = (state.Layers[largest.Picture.Ref.Ordinal], largest.Source);
        var isolation = state.Isolate(layer);
        if (!isolation.CanBeCut || source.IsEmpty)
        {
            return null;
        }
        var (width, height) = SizeOf(largest);
        var key = desk.Keys.OfProof(isolation, "picture", Way, engines, string.Create(CultureInfo.InvariantCulture, $"{source.X} {source.Y} {source.Width} {source.Height} {width} {height}"));
        return new(key.Hex, row.DraftId, layer.Ordinal, isolation.Without, Jobs.ArrangementOf(row, state, layer.Ordinal), new(source.X, source.Y, source.Width, source.Height, width, height, Quick: false))
        {
            IsProof = true,
            Fonts = state.Measured.Drawn.Fonts.ToJson(),
        };
    }

    private static (int Width, int Height) SizeOf(PlannedFile file) => file.Format.IsVector
        ? ((int)Math.Ceiling(ScaleOfShapes * file.Ask.Source.Width), (int)Math.Ceiling(ScaleOfShapes * file.Ask.Source.Height))
        : (file.Width - 2 * file.Border, file.Height - 2 * file.Border);
}
