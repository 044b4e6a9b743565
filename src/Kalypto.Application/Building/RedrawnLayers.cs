using Kalypto.Application.Desk;
using Kalypto.Core.Comparing;
using Kalypto.Core.Deciding;
using Kalypto.Store;

namespace Kalypto.Application.Building;

/// <summary>What changed in the drawings of the layers that two deliveries were made of.</summary>
public sealed class RedrawnLayers(BuildStore builds, DrawingCache cache)
{
    /// <summary>How each layer is drawn otherwise, by the owner in the identity of its files; without those that are drawn as before or are not kept any more.</summary>
    /// <param name="from">The earlier delivery.</param>
    /// <param name="to">The later one.</param>
    /// <param name="cancel">Ends the wait.</param>
    public async Task<IReadOnlyDictionary<string, Redrawing>> FindAsync(BuildRow from, BuildRow to, CancellationToken cancel)
    {
        var redrawn = new Dictionary<string, Redrawing>(StringComparer.Ordinal);
        if (await builds.SaidAsync(from.Id, cancel) is not { } before || await builds.SaidAsync(to.Id, cancel) is not { } now)
        {
            return redrawn;
        }
        var earlier = before.Designs.ToDictionary(d => d.Design.Id, d => d.Design);
        foreach (var (design, marks) in now.Designs.Where(d => earlier.TryGetValue(d.Design.Id, out var was) && was.DraftId != d.Design.DraftId))
        {
            var was = earlier[design.Id];
            var (drawn, _) = await cache.GetReadableAsync([was.DraftId, design.DraftId], cancel);
            if (drawn.Count < 2)
            {
                continue;
            }
            var ships = marks.Where(m => m.Value.Decision == Decision.Ship).Select(m => m.Key).ToHashSet();
            var changes = await Task.Run(() => DraftChanges.Of(new(drawn[was.DraftId], was.Lineages), new(drawn[design.DraftId], design.Lineages), [], ships), cancel);
            foreach (var change in changes.Changes.Where(c => c is { IsChanged: true, New: not null }))
            {
                redrawn[$"{design.Id}:{design.Lineages.Of(change.New!.Value)}"] = change.Redrawn;
            }
        }
        return redrawn;
    }
}
