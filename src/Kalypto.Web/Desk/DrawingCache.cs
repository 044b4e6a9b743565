using System.Collections.Concurrent;
using Kalypto.Core.Arranging;
using Kalypto.Core.Deciding;
using Kalypto.Core.Reading;
using Kalypto.Store;

namespace Kalypto.Web.Desk;

/// <summary>Keeps the drawings that are worked on in memory, read and measured.</summary>
public sealed class DrawingCache(DesignStore designs)
{
    private const int Most = 24;
    private readonly ConcurrentDictionary<int, (Task<MeasuredDrawing> Drawing, long Used)> drawings = new();
    // The last arrangement of each draft: what people work on.
    private readonly ConcurrentDictionary<int, (MeasuredDrawing Base, string Arrangement, MeasuredDrawing Arranged)> arranged = new();
    private readonly ConcurrentDictionary<int, (IReadOnlyList<(int Design, MeasuredDrawing Drawing)> Of, RepeatSets Sets)> repeats = new();
    private long clock;

    /// <summary>The drawing of a draft as it is arranged.</summary>
    public async Task<MeasuredDrawing> GetAsync(int draft, string arrangement, CancellationToken cancel)
    {
        var drawing = await GetAsync(draft, cancel);
        if (arrangement.Length == 0)
        {
            return drawing;
        }
        if (!arranged.TryGetValue(draft, out var known) || known.Arrangement != arrangement || known.Base != drawing)
        {
            known = (drawing, arrangement, drawing.Arrange(Arrangement.Parse(arrangement)));
            arranged[draft] = known;
        }
        return known.Arranged;
    }

    /// <summary>The repeats over the drawings of a project, found anew when one of these is another.</summary>
    public RepeatSets RepeatsOf(int project, IReadOnlyList<(int Design, MeasuredDrawing Drawing)> designs)
    {
        if (!repeats.TryGetValue(project, out var known) || !known.Of.SequenceEqual(designs))
        {
            if (repeats.Count > Most)
            {
                repeats.Clear();
            }
            repeats[project] = known = (designs, new(designs));
        }
        return known.Sets;
    }

    /// <summary>The drawing of a draft as it was read.</summary>
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
            arranged.TryRemove(old.Key, out _);
        }
        var (name, file) = await designs.FileAsync(draft, default) ?? throw new KeyNotFoundException($"There is no draft {draft}.");
        var shapes = await designs.ShapesAsync(draft, default);
        return await Task.Run(() => new MeasuredDrawing(DrawingReader.Read(file, name), shapes));
    }
}
