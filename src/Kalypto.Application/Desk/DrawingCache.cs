using System.Collections.Concurrent;
using Kalypto.Core.Arranging;
using Kalypto.Core.Deciding;
using Kalypto.Core.Designs;
using Kalypto.Core.Fonts;
using Kalypto.Core.Reading;
using Kalypto.Core.Rendering;
using Kalypto.Store;

namespace Kalypto.Application.Desk;

/// <summary>Keeps drawings in memory, read and measured, as many as fit into a set number of bytes; those least lately used go first.</summary>
public sealed class DrawingCache(DesignStore designs, IDrawingReader reader, IRenderer renderer, DrawingOptions options)
{
    // What a read drawing takes for each byte of its file, and for each layer, as measured.
    private const int ForByte = 4;
    private const int ForLayer = 3000;

    // ms. What may pass is tried again sooner.
    private const int RefusedFor = 60_000;
    private const int PassingFor = 5_000;

    // How often reading is tried that ends without a word.
    private const int Attempts = 3;

    private readonly ConcurrentDictionary<int, Entry> entries = new();
    // Drawings that are being read: whoever wants one of them too waits for it.
    private readonly ConcurrentDictionary<int, Task<Entry?>> reading = new();
    private readonly ConcurrentDictionary<int, (DrawingRefusedException Why, long At)> refusals = new();
    private long clock;
    private long bytes;

    /// <summary>How many bytes the kept drawings take, roughly.</summary>
    public long Bytes => Interlocked.Read(ref bytes);

    /// <summary>Roughly what a drawing takes in memory; 0 for one that is not kept.</summary>
    public long BytesOf(int draft) => entries.TryGetValue(draft, out var entry) ? entry.Bytes : 0;

    /// <summary>The drawing of a draft as it is arranged, drawn with some fonts of its project.</summary>
    /// <exception cref="KeyNotFoundException">There is no such draft.</exception>
    /// <exception cref="DrawingRefusedException">It cannot be read any more.</exception>
    public async Task<MeasuredDrawing> GetAsync(int draft, string arrangement, FontBook fonts, CancellationToken cancel)
    {
        var (drawn, refused) = await GetReadableAsync([new WantedDrawing(draft, arrangement, fonts)], cancel);
        return refused.Count > 0 ? throw refused.Values.First() : drawn.GetValueOrDefault(draft) ?? throw new KeyNotFoundException($"There is no draft {draft}.");
    }

    /// <summary>The drawings of drafts as their files have them and as they were last measured, to be compared; those that are not kept come in one question. One that is gone is left out.</summary>
    /// <exception cref="DrawingRefusedException">One cannot be read any more.</exception>
    public async Task<IReadOnlyDictionary<int, MeasuredDrawing>> GetAsync(IReadOnlyCollection<int> drafts, CancellationToken cancel)
    {
        var (drawn, refused) = await GetReadableAsync(drafts, cancel);
        return refused.Count == 0 ? drawn : throw refused.Values.First();
    }

    /// <summary>The same, with those that cannot be read any more told instead of thrown.</summary>
    public Task<(IReadOnlyDictionary<int, MeasuredDrawing> Drawn, IReadOnlyDictionary<int, DrawingRefusedException> Refused)> GetReadableAsync(IReadOnlyCollection<int> drafts, CancellationToken cancel) =>
        GetReadableAsync([.. drafts.Select(d => new WantedDrawing(d, "", null))], cancel);

    /// <summary>Drawings as they are asked for; those that cannot be read any more are told.</summary>
    public async Task<(IReadOnlyDictionary<int, MeasuredDrawing> Drawn, IReadOnlyDictionary<int, DrawingRefusedException> Refused)> GetReadableAsync(
        IReadOnlyCollection<WantedDrawing> drafts, CancellationToken cancel)
    {
        // What was refused is tried again after a while: the reading may have been too busy, or Kalypto is a newer one.
        foreach (var (draft, refusal) in refusals.Where(r => Environment.TickCount64 - r.Value.At > (r.Value.Why.IsPassing ? PassingFor : RefusedFor)).ToList())
        {
            refusals.TryRemove(KeyValuePair.Create(draft, refusal));
        }
        var refused = drafts.Where(d => refusals.ContainsKey(d.Draft)).DistinctBy(d => d.Draft).ToDictionary(d => d.Draft, d => refusals.GetValueOrDefault(d.Draft).Why);
        drafts = refused.Count == 0 ? drafts : [.. drafts.Where(d => !refused.ContainsKey(d.Draft))];
        var missing = drafts.Select(d => d.Draft).Where(d => !entries.ContainsKey(d)).ToList();
        if (missing.Count > 0)
        {
            await ReadAsync(missing).WaitAsync(cancel);
        }
        var found = new Dictionary<int, MeasuredDrawing>();
        foreach (var (draft, arrangement, fonts) in drafts)
        {
            // What was just read and already given up again for want of room is read once more, alone.
            var entry = entries.GetValueOrDefault(draft) ?? (refusals.ContainsKey(draft) ? null : await AloneAsync(draft).WaitAsync(cancel));
            if (entry is not null)
            {
                entry.Used = Interlocked.Increment(ref clock);
                var drawing = fonts is null ? entry.AsMeasured : await entry.DrawnWithAsync(fonts, (with, key) => MeasureAsync(draft, with, key)).WaitAsync(cancel);
                found[draft] = entry.Arranged(drawing, arrangement);
            }
        }
        Trim(drafts.Select(d => d.Draft).ToHashSet());
        foreach (var draft in drafts.Select(d => d.Draft).Where(d => !found.ContainsKey(d) && refusals.ContainsKey(d)))
        {
            refused[draft] = refusals.GetValueOrDefault(draft).Why;
        }
        return (found, refused.Where(r => r.Value is not null).ToDictionary());
    }

    private async Task<Entry?> AloneAsync(int draft) => await ReadAsync([draft]) is [var again] ? again : null;

    private async Task<List<Entry>> ReadAsync(IReadOnlyCollection<int> drafts)
    {
        var mine = new Dictionary<int, TaskCompletionSource<Entry?>>();
        var all = new List<Task<Entry?>>();
        foreach (var draft in drafts)
        {
            var source = new TaskCompletionSource<Entry?>(TaskCreationOptions.RunContinuationsAsynchronously);
            var task = reading.GetOrAdd(draft, source.Task);
            all.Add(task);
            if (task == source.Task)
            {
                mine[draft] = source;
            }
        }
        if (mine.Count > 0)
        {
            _ = Task.Run(() => ReadAsync(mine));
        }
        return [.. (await Task.WhenAll(all)).OfType<Entry>()];
    }

    private async Task ReadAsync(Dictionary<int, TaskCompletionSource<Entry?>> wanted)
    {
        try
        {
            await foreach (var file in designs.FilesAsync([.. wanted.Keys], default))
            {
                await SettleAsync(file.Draft, () => KeepAsync(file));
            }
            foreach (var draft in wanted.Keys.ToList())
            {
                await SettleAsync(draft, () => Task.FromResult<Entry?>(null));
            }
        }
        catch (Exception e)
        {
            foreach (var draft in wanted.Keys.ToList())
            {
                await SettleAsync(draft, () => throw new InvalidOperationException("The drawing could not be fetched.", e));
            }
        }

        async Task SettleAsync(int draft, Func<Task<Entry?>> make)
        {
            if (!wanted.Remove(draft, out var source))
            {
                return;
            }
            try
            {
                source.SetResult(await make());
            }
            catch (Exception e)
            {
                source.SetException(e);
            }
            reading.TryRemove(draft, out _);
        }
    }

    private async Task<Entry?> KeepAsync(DraftFile file)
    {
        DrawingTree? drawing = null;
        for (var attempt = 1; drawing is null; attempt++)
        {
            try
            {
                drawing = await reader.ReadAsync(file.File, file.DesignName, default);
            }
            catch (DrawingRefusedException e) when (e.IsPassing && attempt < Attempts)
            {
                // It could be read when it came, so this says more of the machine than of the file.
            }
            catch (DrawingRefusedException e)
            {
                refusals[file.Draft] = (e, Environment.TickCount64);
                return null;
            }
        }
        var entry = new Entry(drawing, file, (long)file.File.Length * ForByte + drawing.Layers.Length * ForLayer) { Used = Interlocked.Increment(ref clock) };
        if (entries.TryAdd(file.Draft, entry))
        {
            Interlocked.Add(ref bytes, entry.Bytes);
        }
        return entry;
    }

    // Those asked for right now are never given up for each other.
    private void Trim(HashSet<int> inUse)
    {
        if (Bytes <= options.DrawingsInMemory)
        {
            return;
        }
        foreach (var (draft, _) in entries.OrderBy(e => e.Value.Used).ToList())
        {
            if (Bytes <= options.DrawingsInMemory)
            {
                return;
            }
            if (!inUse.Contains(draft) && entries.TryRemove(draft, out var gone))
            {
                Interlocked.Add(ref bytes, -gone.Bytes);
            }
        }
    }

    private async Task<MeasuredDrawing> MeasureAsync(int draft, DrawingTree drawing, string key)
    {
        var shapes = await renderer.MeasureAsync(drawing, null, default);
        await designs.MeasuredAsync(draft, shapes, key, default);
        return new(drawing, shapes);
    }

    private sealed class Entry
    {
        private readonly DrawingTree drawing;
        private readonly string measuredWith;
        private readonly ConcurrentDictionary<string, Lazy<Task<MeasuredDrawing>>> byFonts = new();

        // The last arrangement: what people work on.
        private (MeasuredDrawing Of, string Text, MeasuredDrawing Drawing)? arranged;
        private (FontBook Fonts, DrawingTree With)? last;

        public Entry(DrawingTree drawing, DraftFile file, long bytes)
        {
            (this.drawing, measuredWith, Bytes, AsMeasured) = (drawing, file.MeasuredWith, bytes, new(drawing, file.Shapes) { Merged = file.Merged });
            if (measuredWith.Length == 0)
            {
                byFonts[""] = new(Task.FromResult(AsMeasured));
            }
        }

        public long Bytes { get; }

        public long Used { get; set; }

        /// <summary>The drawing with the boxes of the fonts that it was last measured with.</summary>
        public MeasuredDrawing AsMeasured { get; }

        /// <summary>The drawing with those of some fonts that it asks for; measured once with each such set.</summary>
        public async Task<MeasuredDrawing> DrawnWithAsync(FontBook fonts, Func<DrawingTree, string, Task<MeasuredDrawing>> measure)
        {
            var with = With(fonts);
            var key = with.Fonts.Key;
            var measured = byFonts.GetOrAdd(key, _ => new(() => key == measuredWith ? Task.FromResult(new MeasuredDrawing(with, AsMeasured.Shapes) { Merged = AsMeasured.Merged }) : Task.Run(() => MeasureAsync(with, key, measure))));
            try
            {
                return await measured.Value;
            }
            catch
            {
                byFonts.TryRemove(KeyValuePair.Create(key, measured));
                throw;
            }
        }

        // What cannot be measured with them, for want of time, stays where it was.
        private async Task<MeasuredDrawing> MeasureAsync(DrawingTree with, string key, Func<DrawingTree, string, Task<MeasuredDrawing>> measure)
        {
            try
            {
                return await measure(with, key);
            }
            catch (DrawingRefusedException)
            {
                return new(with, AsMeasured.Shapes) { Merged = AsMeasured.Merged };
            }
        }

        public MeasuredDrawing Arranged(MeasuredDrawing measured, string arrangement)
        {
            if (arrangement.Length == 0)
            {
                return measured;
            }
            lock (this)
            {
                if (arranged is not { } known || known.Text != arrangement || known.Of != measured)
                {
                    arranged = known = (measured, arrangement, measured.Arrange(Arrangement.Parse(arrangement)));
                }
                return known.Drawing;
            }
        }

        // What a drawing asks for is looked up in all of it.
        private DrawingTree With(FontBook fonts)
        {
            if (fonts.Fonts.IsEmpty)
            {
                return drawing;
            }
            lock (this)
            {
                if (last is not { } known || known.Fonts.Key != fonts.Key)
                {
                    last = known = (fonts, drawing.With(fonts));
                }
                return known.With;
            }
        }
    }
}
