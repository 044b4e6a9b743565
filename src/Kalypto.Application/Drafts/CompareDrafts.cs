using Kalypto.Application.Desk;
using Kalypto.Core.Comparing;
using Kalypto.Core.Deciding;
using Kalypto.Store;

namespace Kalypto.Application.Drafts;

/// <summary>What is different between the draft that holds and the one before it, or any other.</summary>
public sealed class CompareDrafts(DesignStore designs, OpenDraft open, DrawingCache cache)
{
    /// <summary>Two drafts of one design and what is different.</summary>
    /// <param name="Drafts">All drafts of the design, the newest first.</param>
    /// <param name="Now">The draft that holds.</param>
    /// <param name="Before">The other one; null when there is only one.</param>
    /// <param name="Changes">What is different.</param>
    public sealed record Compared(IReadOnlyList<DraftRow> Drafts, (DesignRow Row, DesignState State) Now, (DesignRow Row, DesignState State)? Before, DraftChanges Changes);

    /// <summary>Compares.</summary>
    /// <param name="row">The design with the draft that holds.</param>
    /// <param name="state">The same with all that is said.</param>
    /// <param name="with">The draft to compare with; null for the one that it follows.</param>
    /// <param name="cancel">Ends the wait.</param>
    public async Task<Compared> RunAsync(DesignRow row, DesignState state, int? with, CancellationToken cancel)
    {
        var drafts = await designs.DraftsAsync(row.Id, cancel);
        var present = drafts.Find(d => d.Id == row.DraftId)!;
        var other = drafts.Find(d => d.Id == (with ?? present.Follows) && d.Id != present.Id) ?? drafts.Find(d => d.Id != present.Id);
        if (other is null || await open.RunAsync(row, state.Marks, other.Id, cancel) is not var (before, then))
        {
            return new(drafts, (row, state), null, new([], state.Measured.Drawn.Layers.Length - 1));
        }
        var drawn = await cache.GetAsync([present.Id, other.Id], cancel);
        var pairs = present.Follows == other.Id ? KeptPair.Read(present.Pairs) : [];
        var ships = state.Layers.Where(l => state.MarkOf(l).Decision == Decision.Ship && l.Ordinal < state.Measured.Drawn.Layers.Length).Select(l => l.Ordinal).ToHashSet();
        var changes = await Task.Run(() => DraftChanges.Of(new(drawn[other.Id], other.Lineages), new(drawn[present.Id], present.Lineages), pairs, ships), cancel);
        return new(drafts, (row, state), (before, then), changes);
    }
}
