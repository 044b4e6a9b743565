using Kalypto.Application.Desk;
using Kalypto.Core.Arranging;
using Kalypto.Core.Comparing;
using Kalypto.Core.Deciding;
using Kalypto.Store;

namespace Kalypto.Application.Drafts;

/// <summary>Opens any draft of a design as if it held: with what people said of its layers, and their screens where they lay in it.</summary>
public sealed class OpenDraft(DesignStore designs, DrawingCache cache)
{
    /// <summary>Opens a draft; null when the design has none of that number.</summary>
    /// <param name="row">The design with the draft that holds.</param>
    /// <param name="marks">What is said of the layers of the draft that holds, by ordinal.</param>
    /// <param name="draft">The draft to open.</param>
    /// <param name="cancel">Ends the wait.</param>
    public async Task<(DesignRow Row, DesignState State)?> RunAsync(DesignRow row, IReadOnlyDictionary<int, Mark> marks, int draft, CancellationToken cancel)
    {
        if ((await designs.DraftsAsync(row.Id, cancel)).Find(d => d.Id == draft) is not { } wanted)
        {
            return null;
        }
        if (draft == row.DraftId)
        {
            return (row, new(row.Id, row.Name, row.DrawnAt, await cache.GetAsync(row.DraftId, row.Arrangement, row.Fonts, cancel), marks));
        }
        var drawn = await cache.GetAsync([row.DraftId, draft], cancel);
        var (held, other) = (new DraftDrawing(drawn[row.DraftId], row.Lineages), new DraftDrawing(drawn[draft], wanted.Lineages));
        var kept = Arrangement.None.Keep(Arrangement.Parse(row.Arrangement), row.Lineages);
        var arrangement = kept.Follow(held, other).In(wanted.Lineages).ToString();
        var drawnAt = DraftScale.Of(row.DrawnAt, held, other);
        var there = row with { DrawnAt = drawnAt, DraftId = draft, DraftNumber = wanted.Number, FileSha256 = wanted.FileSha256, Lineages = wanted.Lineages, Arrangement = arrangement, Asked = wanted.Asked };
        // What is gone from the draft that holds has its marks all the same.
        var said = (await designs.MarksAsync(row.Id, cancel)).Where(m => wanted.Lineages.OrdinalOf(m.Key) is not null).ToDictionary(m => wanted.Lineages.OrdinalOf(m.Key)!.Value, m => m.Value);
        return (there, new(row.Id, row.Name, drawnAt, await cache.GetAsync(draft, arrangement, row.Fonts, cancel), said));
    }
}
