using Kalypto.Application.Desk;
using Kalypto.Application.Opening;
using Kalypto.Core.Designs;
using Kalypto.Core.Formats;
using Kalypto.Core.Packing;
using Kalypto.Core.Rendering;
using Kalypto.Store;

namespace Kalypto.Application.Packs;

/// <summary>Makes a planned file in another format or quality, and says how the two differ.</summary>
public sealed class LookCloser(PlanPack plans, DrawingDesk desk, DrawingStore store, IRenderer renderer)
{
    private const int MostCompared = 16_000_000;
    private static readonly TimeSpan Patience = TimeSpan.FromSeconds(90);

    /// <summary>A file as it would be otherwise.</summary>
    /// <param name="Key">Its key.</param>
    /// <param name="Format">Its format.</param>
    /// <param name="Row">What came of it.</param>
    /// <param name="Difference">How it differs from the planned one; null when they cannot be compared.</param>
    public sealed record Other(string Key, Format Format, DrawingRow Row, PictureDifference? Difference);

    /// <summary>Makes it and waits for it.</summary>
    /// <returns>What came of it, or why there is none.</returns>
    public async Task<(Other? Other, CloserRefusal? Refusal)> TryAsync(Workspace workspace, string key, string ask, CancellationToken cancel)
    {
        var plan = await plans.PlanAsync(workspace, cancel);
        if (plan.Pack.Files.FirstOrDefault(f => f.Key.Hex == key) is not { } file)
        {
            return (null, CloserRefusal.NotInThePack);
        }
        if (FormatAsk.Parse(ask.Trim()) is not { } other)
        {
            return (null, CloserRefusal.NoFormat);
        }
        if (file.Picture.CropIsGuess)
        {
            return (null, CloserRefusal.CropNotKnown);
        }
        using var patience = CancellationTokenSource.CreateLinkedTokenSource(cancel);
        patience.CancelAfter(Patience);
        try
        {
            var ground = file.Ground ?? (other.Format.Transparency == Transparency.None ? "#ffffff" : null);
            var otherKey = Fingerprint.Of("closer", desk.Engine, key, $"{other.Format}:{other.Held}", ground ?? "");
            var jobs = new Jobs(workspace, desk);
            var here = await desk.DrawAsync(jobs.File(file), patience.Token);
            var row = await desk.DrawAsync(jobs.File(file with { Ask = file.Ask with { Format = other, Links = [], Linked = null }, Ground = ground, Key = otherKey }), patience.Token);
            return (new(otherKey.Hex, other.Format, row, await CompareAsync(file, here, other.Format, row, patience.Token)), null);
        }
        catch (OperationCanceledException) when (!cancel.IsCancellationRequested)
        {
            return (null, CloserRefusal.TakesLong);
        }
    }

    /// <summary>How two drawn files of one size differ.</summary>
    private async Task<PictureDifference?> CompareAsync(PlannedFile file, DrawingRow here, Format format, DrawingRow there, CancellationToken cancel) =>
        !file.Format.IsVector && !format.IsVector && format != Format.Ico && file.Format != Format.Ico && file.Width * file.Height <= MostCompared
        && here.Sha256 is not null && there.Sha256 is not null && await store.BytesAsync(here.Key, cancel) is { } a && await store.BytesAsync(there.Key, cancel) is { } b
            ? await renderer.CompareAsync(a, b, cancel) : null;
}
