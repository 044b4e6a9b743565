using System.Collections.Concurrent;

namespace Kalypto.Application.Desk;

/// <summary>Drafts of which something ran out of time of late: no more than one drawer at a time works on any of them, and only when nothing else waits.</summary>
internal sealed class SlowDrafts
{
    private static readonly TimeSpan Kept = TimeSpan.FromMinutes(10);
    private readonly ConcurrentDictionary<int, DateTime> until = new();

    /// <summary>The drafts.</summary>
    public int[] List(DateTime now) => until.IsEmpty ? [] : [.. until.Where(d => d.Value > now || !until.TryRemove(d.Key, out _)).Select(d => d.Key)];

    /// <summary>Something of a draft ran out of time.</summary>
    public void Add(int draft, DateTime now) => until[draft] = now + Kept;
}
