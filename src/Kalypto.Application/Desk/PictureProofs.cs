using Kalypto.Core.Deciding;
using Kalypto.Core.Designs;
using Kalypto.Core.Proving;
using Kalypto.Core.Rendering;
using Kalypto.Store;

namespace Kalypto.Application.Desk;

/// <summary>Has pictures drawn by both engines as they ship, once. A layer that comes out otherwise is drawn exactly from then on.</summary>
public sealed class PictureProofs(DrawingDesk desk, ProofBook book, IRenderer renderer)
{
    /// <summary>Name and version of both engines; null where there is no exact one, and so nothing to prove.</summary>
    public string? Engines => book.Engines;

    /// <summary>Queues those proofs that are not known yet.</summary>
    /// <param name="jobs">A proof of each picture.</param>
    /// <param name="priority">How urgent they are, the smallest first.</param>
    /// <param name="cancel">Ends the wait.</param>
    /// <returns>How many are left to prove, and how many could not be drawn.</returns>
    internal async Task<(int Left, int Failed)> AskAsync(IEnumerable<DrawingJob> jobs, int priority, CancellationToken cancel)
    {
        var all = jobs.DistinctBy(j => j.Key).ToList();
        var found = await book.FindAsync(all.Select(j => j.Key), cancel);
        var open = all.Where(j => !found.ContainsKey(j.Key)).ToList();
        await desk.QueueAsync(open, priority, cancel);
        return (open.Count, found.Values.Count(p => p.Equal is null));
    }

    /// <summary>Proves a picture and keeps what that has shown.</summary>
    /// <returns>False when it failed in a way that may pass, and is to be tried again.</returns>
    internal async Task<bool> ProveAsync(TakenJob taken, MeasuredDrawing? drawing, string? failure, CancellationToken cancel)
    {
        var picture = taken.Job.Picture!;
        var layer = drawing?.Drawing.Layers[taken.Job.Ordinal];
        var (share, why) = layer is null ? (null, new(null, failure ?? "The layer is not there."))
            : await PictureProof.OfAsync(renderer, drawing!.Isolate(layer, taken.Job.Without.ToHashSet()), new(picture.X, picture.Y, picture.W, picture.H), picture.Width, picture.Height, cancel);
        return await book.EndAsync(taken, 1 - share, share > 0 ? new Dictionary<Fingerprint, double> { [layer!.Element.Fingerprint] = share.Value } : new Dictionary<Fingerprint, double>(), why, failure is null, null, cancel);
    }
}
