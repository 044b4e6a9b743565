using System.Collections.Concurrent;
using System.Text.Json;
using Kalypto.Application.Opening;
using Kalypto.Application.Packs;
using Kalypto.Core.Handover;
using Kalypto.Core.Rendering;
using Kalypto.Store;

namespace Kalypto.Application.Handover;

/// <summary>Opens deliveries again, for those who look at what they got. The last few stay open.</summary>
public sealed class OpenDelivery(BuildStore builds, OpenProject open, PlanPack plans, IRenderer renderer)
{
    private const int MostOpen = 6;
    private readonly ConcurrentDictionary<int, (Delivered Delivered, long Used)> opened = new();
    private long clock;

    /// <summary>Opens a delivery of a project; null when there is none of that number, or what was said then is not kept.</summary>
    public async Task<Delivered?> LoadAsync(int project, int number, CancellationToken cancel)
    {
        if (await builds.DeliveryAsync(project, number, cancel) is not { } row)
        {
            return null;
        }
        if (opened.TryGetValue(row.Id, out var known))
        {
            opened[row.Id] = (known.Delivered, Interlocked.Increment(ref clock));
            return known.Delivered;
        }
        if (await builds.SaidAsync(row.Id, cancel) is not { } said)
        {
            return null;
        }
        var ask = JsonSerializer.Deserialize<BuildAsk>(row.Asked) ?? new();
        var workspace = ask.On(await open.LoadAsync(said, cancel));
        var delivered = new Delivered(row, workspace, await plans.PlanAsync(workspace, cancel), (await builds.FilesAsync(row.Id, cancel)).ToDictionary(f => f.Path));
        opened[row.Id] = (delivered, Interlocked.Increment(ref clock));
        foreach (var old in opened.OrderByDescending(o => o.Value.Used).Skip(MostOpen).ToList())
        {
            opened.TryRemove(old.Key, out _);
        }
        return delivered;
    }

    /// <summary>A screen as a plate; null when the delivery has no such screen.</summary>
    public async Task<Plate?> PlateAsync(Delivered delivered, int design, int root, CancellationToken cancel)
    {
        if (delivered.Plates.TryGetValue((design, root), out var known))
        {
            return known;
        }
        if (delivered.Workspace.FindScreen(design, root) is not var (_, state, screen))
        {
            return null;
        }
        var pins = Pins.Of(state, screen, layer => delivered.PictureOf(new(design, layer.Ordinal))?.Ref);
        var values = await MeasuredValues.OfAsync(renderer, state, screen, pins.Where(p => p.Kind != PinKind.Picture).Select(p => p.Layer), cancel);
        var size = state.ToPoints(screen.Box);
        var plate = new Plate(screen, size.Width, size.Height, [.. pins], values, [.. Unreached.Of(state, screen)]);
        return delivered.Plates[(design, root)] = plate;
    }
}
