using System.Text.Json;
using Kalypto.Application.Desk;
using Kalypto.Application.Opening;
using Kalypto.Application.Packs;
using Kalypto.Core.Designs;
using Kalypto.Core.Library;
using Kalypto.Core.Packing;
using Kalypto.Store;
using Microsoft.Extensions.Hosting;
using Microsoft.Extensions.Logging;

namespace Kalypto.Application.Library;

/// <summary>Puts what was delivered into the library, in the background, out of what was said when it was delivered.</summary>
public sealed class ShelveService(
    LibraryStore library, BuildStore builds, OpenProject open, PlanPack plans, LibraryLooks looks, Notices notices, ILogger<ShelveService> log) : BackgroundService
{
    private static readonly TimeSpan Pause = TimeSpan.FromMilliseconds(500);
    private static readonly TimeSpan Longest = TimeSpan.FromMinutes(5);

    private TaskCompletionSource shelved = New();

    /// <summary>Ends when the next delivery is in the library. No page of a project shows anything else by it.</summary>
    public Task Next => Volatile.Read(ref shelved).Task;

    private static TaskCompletionSource New() => new(TaskCreationOptions.RunContinuationsAsynchronously);

    /// <inheritdoc/>
    protected override async Task ExecuteAsync(CancellationToken stoppingToken)
    {
        while (!stoppingToken.IsCancellationRequested)
        {
            var next = notices.Next;
            try
            {
                var waiting = await library.UnshelvedAsync(stoppingToken);
                foreach (var build in waiting)
                {
                    await ShelveAsync(build, stoppingToken);
                }
                if (waiting.Count == 0)
                {
                    await Task.WhenAny(next, Task.Delay(Longest, stoppingToken));
                }
            }
            catch (OperationCanceledException)
            {
                // The server stops.
            }
            catch (Npgsql.NpgsqlException e)
            {
                log.LogWarning(e, "The library waits for the database");
            }
            await Task.WhenAny(Task.Delay(Pause, stoppingToken));
        }
    }

    private async Task ShelveAsync(int build, CancellationToken cancel)
    {
        if (await builds.FindAsync(build, cancel) is not { } row)
        {
            return;
        }
        IReadOnlyList<ShippedLayer> layers = [];
        try
        {
            if (await builds.SaidAsync(build, cancel) is { } said)
            {
                // Layers of a design that cannot be read any more stay away; the others come in.
                var workspace = await open.LoadAsync(said, cancel);
                var ask = JsonSerializer.Deserialize<BuildAsk>(row.Asked) ?? new();
                layers = await LayersAsync(ask.On(workspace), ask, cancel);
            }
        }
        catch (Exception e) when (e is not OperationCanceledException and not Npgsql.NpgsqlException)
        {
            // What was said then is not understood any more: that costs the library this one delivery.
            log.LogWarning(e, "Delivery {Build} does not get into the library", build);
        }
        await library.ShelveAsync(build, row.ProjectId, layers, cancel);
        Interlocked.Exchange(ref shelved, New()).TrySetResult();
    }

    private async Task<IReadOnlyList<ShippedLayer>> LayersAsync(Workspace workspace, BuildAsk ask, CancellationToken cancel)
    {
        var plan = await plans.PlanAsync(workspace, cancel);
        var taken = await library.TakenAsync([.. workspace.Designs.Select(d => d.Row.DraftId)], cancel);
        var shipped = new List<(Picture Picture, ShippedLayer Layer)>();
        foreach (var files in plan.Pack.Files.Where(ask.Holds(workspace)).GroupBy(f => f.Picture.Ref))
        {
            var (picture, platforms) = (files.First().Picture, files.Select(f => f.Platform).Distinct().Order(StringComparer.Ordinal).ToArray());
            shipped.AddRange(picture.Places.Select(place => (picture, LayerOf(workspace, picture, platforms, place, taken))));
        }
        var unseen = (await library.UnseenAsync([.. shipped.Select(l => l.Layer.Drawing).Distinct()], cancel)).ToHashSet();
        foreach (var (picture, layer) in shipped.Where(l => unseen.Remove(l.Layer.Drawing)))
        {
            var (_, state, node) = workspace.FindLayer(picture.Ref.Design, picture.Ref.Ordinal)!.Value;
            var box = picture.Crop!.Box.Scale(state.DrawnAt);
            var (look, png) = await looks.SeeAsync(box, (width, height) => state.Isolate(node).Scene(box, width, height), cancel);
            await library.KeepLookAsync(layer.Drawing, png, look, cancel);
        }
        return [.. shipped.Select(l => l.Layer).DistinctBy(l => (l.Design, l.Lineage))];
    }

    private static ShippedLayer LayerOf(Workspace workspace, Picture picture, string[] platforms, LayerRef place, IReadOnlyDictionary<int, Taken> taken)
    {
        var (row, state, layer) = workspace.FindLayer(place.Design, place.Ordinal)!.Value;
        var owner = workspace.FindDesign(picture.Ref.Design)!.Value.Row.Lineages.Of(picture.Ref.Ordinal);
        var drawing = taken.GetValueOrDefault(row.DraftId)?.Drawing ?? DrawingPrint.Of(state, layer).Hex;
        return new(place.Design, row.Lineages.Of(place.Ordinal), $"{picture.Ref.Design}:{owner}", drawing, picture.Name, layer.Name, state.Measured.ScreenOf(layer)?.Name ?? state.Name,
            picture.Making.Kind, state.SaidOf(layer).Tags.ToString(), picture.Crop?.Box.Width ?? 0, picture.Crop?.Box.Height ?? 0, [.. platforms]);
    }
}
