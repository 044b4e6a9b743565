using System.Collections.Concurrent;
using Kalypto.Core.Deciding;
using Kalypto.Core.Designs;
using Kalypto.Core.Proving;
using Kalypto.Core.Rendering;
using Kalypto.Store;

namespace Kalypto.Application.Desk;

/// <summary>Has pictures drawn by both engines as they ship, once. A layer that comes out otherwise is drawn exactly from then on.</summary>
public sealed class PictureProofs(DrawingDesk desk, ProofStore store, ProvenLayers proven, IRenderer renderer)
{
    private readonly ConcurrentDictionary<string, bool> known = new();

    /// <summary>Name and version of both engines; null where there is no exact one, and so nothing to prove.</summary>
    public string? Engines => proven.Engines;

    /// <summary>Queues those proofs that are not known yet.</summary>
    /// <param name="jobs">A proof of each picture.</param>
    /// <param name="priority">How urgent they are, the smallest first.</param>
    /// <param name="cancel">Ends the wait.</param>
    /// <returns>How many are left to prove.</returns>
    internal async Task<int> AskAsync(IEnumerable<DrawingJob> jobs, int priority, CancellationToken cancel)
    {
        var open = jobs.Where(j => !known.ContainsKey(j.Key)).DistinctBy(j => j.Key).ToList();
        foreach (var row in open.Count > 0 ? (await store.FindAsync([.. open.Select(j => j.Key)], cancel)).Values : [])
        {
            Keep(row);
            open.RemoveAll(j => j.Key == row.Key);
        }
        await desk.QueueAsync(open, priority, cancel);
        return open.Count;
    }

    /// <summary>Proves a picture and keeps what that has shown.</summary>
    /// <returns>False when it failed in a way that may pass, and is to be tried again.</returns>
    internal async Task<bool> ProveAsync(TakenJob taken, MeasuredDrawing? drawing, string? failure, CancellationToken cancel)
    {
        var picture = taken.Job.Picture!;
        var layer = drawing?.Drawing.Layers[taken.Job.Ordinal];
        var (share, why) = layer is null ? (null, new(null, failure ?? "The layer is not there."))
            : await PictureProof.OfAsync(renderer, drawing!.Isolate(layer, taken.Job.Without.ToHashSet()), new(picture.X, picture.Y, picture.W, picture.H), picture.Width, picture.Height, cancel);
        // What ran out of time does so again, and builds wait for it.
        if (why is { IsPassing: true, IsSlow: false } && !taken.IsLast)
        {
            return false;
        }
        var row = new ProofRow(taken.Job.Key, 1 - share, share > 0 ? 1 : 0, why?.Failure) { IsPassing = share is null && (why?.IsPassing == true || failure is not null) };
        var elements = new Dictionary<Fingerprint, double>();
        if (share > 0)
        {
            elements[layer!.Element.Fingerprint] = share.Value;
        }
        await store.PutAsync(row, Engines ?? "", elements, null, cancel);
        Keep(row);
        if (share > 0)
        {
            await proven.LoadAsync(cancel);
        }
        desk.HearDrawn(row.Key);
        return true;
    }

    private void Keep(ProofRow row)
    {
        if (!row.IsPassing)
        {
            known[row.Key] = true;
        }
    }
}
