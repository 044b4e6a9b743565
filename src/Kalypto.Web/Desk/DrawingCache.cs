using System.Collections.Concurrent;
using Kalypto.Core.Packing;
using Kalypto.Core.Reading;
using Kalypto.Store;

namespace Kalypto.Web.Desk;

/// <summary>Keeps the drawings that are worked on in memory, read and measured.</summary>
public sealed class DrawingCache(DesignStore designs)
{
    private const int Most = 24;
    private readonly ConcurrentDictionary<int, (Task<MeasuredDrawing> Drawing, long Used)> drawings = new();
    private long clock;

    /// <summary>The drawing of a draft.</summary>
    /// <exception cref="KeyNotFoundException">There is no such draft.</exception>
    public async Task<MeasuredDrawing> GetAsync(int draft, CancellationToken cancel)
    {
        var entry = drawings.AddOrUpdate(draft,
            d => (LoadAsync(d), Interlocked.Increment(ref clock)), (_, known) => known with { Used = Interlocked.Increment(ref clock) });
        try
        {
            return await entry.Drawing.WaitAsync(cancel);
        }
        catch when (entry.Drawing.IsFaulted)
        {
            drawings.TryRemove(draft, out _);
            throw;
        }
    }

    private async Task<MeasuredDrawing> LoadAsync(int draft)
    {
        foreach (var old in drawings.OrderByDescending(d => d.Value.Used).Skip(Most))
        {
            drawings.TryRemove(old.Key, out _);
        }
        var (name, file) = await designs.FileAsync(draft, default) ?? throw new KeyNotFoundException($"There is no draft {draft}.");
        var shapes = await designs.ShapesAsync(draft, default);
        return await Task.Run(() => new MeasuredDrawing(SvgReader.Read(file, name), shapes));
    }
}
