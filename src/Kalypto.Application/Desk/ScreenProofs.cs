using System.Globalization;
using System.Runtime.CompilerServices;
using Kalypto.Core.Deciding;
using Kalypto.Core.Designs;
using Kalypto.Core.Isolating;
using Kalypto.Core.Proving;
using Kalypto.Core.Rendering;
using Kalypto.Drawing.Encoders;
using Kalypto.Store;

namespace Kalypto.Application.Desk;

/// <summary>Has screens drawn by both engines, once, in the background, and knows what that has shown.</summary>
public sealed class ScreenProofs(DrawingDesk desk, ProofBook book, IRenderer renderer)
{
    // Goes up when proof is found in another way.
    private const string Way = "4";
    private readonly ConditionalWeakTable<DrawingTree, IReadOnlyList<(Screen Screen, string Key)>> keys = [];

    /// <summary>The proof of each screen of a drawing as it was drawn; null for one that is not proved yet. None where there is no exact engine, or the file says nothing that one could draw.</summary>
    public async Task<IReadOnlyDictionary<Screen, ProofRow?>> OfAsync(IReadOnlyCollection<MeasuredDrawing> drawings, CancellationToken cancel)
    {
        var screens = drawings.SelectMany(ScreensOf).ToList();
        var found = await book.FindAsync(screens.Select(s => s.Key), cancel);
        return screens.ToDictionary(s => s.Screen, s => found.GetValueOrDefault(s.Key));
    }

    /// <summary>Queues those screens of drafts that are not proved yet.</summary>
    /// <returns>How many screens are left to prove.</returns>
    public async Task<int> AskAsync(IReadOnlyCollection<(int Draft, MeasuredDrawing Drawing)> drafts, CancellationToken cancel, int priority = DrawingQueue.Proving)
    {
        var proofs = await OfAsync([.. drafts.Select(d => d.Drawing)], cancel);
        await desk.QueueAsync([.. drafts.SelectMany(d => ScreensOf(d.Drawing).Where(s => proofs[s.Screen] is null)
            .Select(s => new DrawingJob(s.Key, d.Draft, s.Screen.Root.Ordinal, [], "", null) { IsProof = true, Fonts = d.Drawing.Drawn.Fonts.ToJson() }))], priority, cancel);
        return proofs.Values.Count(p => p is null);
    }

    /// <summary>Proves a screen and keeps what that has shown.</summary>
    /// <returns>False when it failed in a way that may pass, and is to be tried again.</returns>
    internal async Task<bool> ProveAsync(TakenJob taken, MeasuredDrawing? drawing, string? failure, CancellationToken cancel)
    {
        var screen = drawing is null ? null : Proof.ScreensOf(drawing.Drawn).FirstOrDefault(s => s.Root.Ordinal == taken.Job.Ordinal);
        var (proof, why) = screen is null ? (null, new(null, failure ?? "The screen is not there.")) : await Proof.OfAsync(renderer, drawing!, screen, cancel);
        var elements = proof?.Layers.GroupBy(l => drawing!.Drawn.Layers[l.Ordinal].Element.Fingerprint).ToDictionary(g => g.Key, g => g.Max(l => l.Share)) ?? [];
        return await book.EndAsync(taken, proof?.Equal, elements, why, failure is null, proof is null ? null : MarksPicture.Of(proof), cancel);
    }

    private IReadOnlyList<(Screen Screen, string Key)> ScreensOf(MeasuredDrawing drawing) => book.Engines is not { } engines || drawing.Drawn.Source is null ? []
        : keys.GetValue(drawing.Drawn, drawn => [.. Proof.ScreensOf(drawn).Select(s => (Screen: s, Isolation: Isolation.Of(drawn, s.Root))).Where(s => s.Isolation.CanBeCut)
            .Select(s => (s.Screen, desk.Keys.OfProof(s.Isolation, Way, engines, string.Create(CultureInfo.InvariantCulture, $"{s.Screen.Box.X} {s.Screen.Box.Y} {s.Screen.Box.Width} {s.Screen.Box.Height}")).Hex))]);
}
