using System.Collections.Immutable;

namespace Kalypto.Core.Arranging;

/// <summary>
/// An arrangement as it is kept: with lineages in the place of ordinals, so that it holds for every draft. What is not in a
/// draft waits in it for the layer to come back.
/// </summary>
public static class LineageArrangement
{
    /// <summary>The arrangement as it is in a draft: members that are not there are left out, screens too; a combination without any is gone.</summary>
    public static Arrangement In(this Arrangement kept, Lineages draft) => new(
        [.. kept.Screens.Where(s => draft.OrdinalOf(s.Root) is not null).Select(s => s with { Root = draft.OrdinalOf(s.Root)!.Value })],
        [.. kept.Made.Select(m => m.Frame is not null ? m : m with { Members = Present(m, draft), Gone = m.Gone || Present(m, draft).IsEmpty })]);

    /// <summary>The arrangement to keep after a change that was made in a draft.</summary>
    /// <param name="kept">As it was kept.</param>
    /// <param name="changed">As the draft has it now.</param>
    /// <param name="draft">The draft.</param>
    public static Arrangement Keep(this Arrangement kept, Arrangement changed, Lineages draft) => new(
        [.. changed.Screens.Select(s => s with { Root = draft.Of(s.Root) }), .. kept.Screens.Where(s => draft.OrdinalOf(s.Root) is null)],
        [.. changed.Made.Select((m, i) =>
        {
            var before = i < kept.Made.Length ? kept.Made[i] : null;
            ImmutableArray<int> waiting = before is null ? [] : [.. before.Members.Where(l => draft.OrdinalOf(l) is null)];
            return m with
            {
                Members = [.. m.Members.Select(draft.Of), .. waiting],
                Gone = m.Gone && (before is null || before.Gone || !Present(before, draft).IsEmpty),
            };
        })]);

    private static ImmutableArray<int> Present(MadeLayer made, Lineages draft) => [.. made.Members.Select(draft.OrdinalOf).Where(o => o is not null).Select(o => o!.Value).Order()];
}
