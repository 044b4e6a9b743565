namespace Kalypto.Application.Desk;

/// <summary>Tells open pages that something they may show is other than before.</summary>
public sealed class Notices
{
    private const int Most = 512;
    private readonly Lock gate = new();
    private readonly Queue<Notice> kept = new();
    private TaskCompletionSource next = New();
    private long last;

    /// <summary>The number of the newest notice.</summary>
    public long Last => Volatile.Read(ref last);

    /// <summary>Ends when the next notice is given.</summary>
    public Task Next => Volatile.Read(ref next).Task;

    /// <summary>Gives a notice.</summary>
    /// <param name="project">The project that was edited; null when something was drawn, which may show anywhere.</param>
    /// <param name="page">The page that edited and knows already; empty for none.</param>
    public void Give(int? project = null, string page = "")
    {
        lock (gate)
        {
            kept.Enqueue(new(++last, project, page));
            if (kept.Count > Most)
            {
                kept.Dequeue();
            }
        }
        Interlocked.Exchange(ref next, New()).TrySetResult();
    }

    /// <summary>True when a page has to look again.</summary>
    /// <param name="since">The newest notice that it knows of.</param>
    /// <param name="project">Its project.</param>
    /// <param name="page">The page itself.</param>
    public bool Concern(long since, int project, string page)
    {
        lock (gate)
        {
            // What is no longer kept may have concerned it.
            return (kept.TryPeek(out var oldest) && oldest.Number > since + 1)
                || kept.Any(n => n.Number > since && (n.Project is null || n.Project == project) && (n.Page.Length == 0 || n.Page != page));
        }
    }

    private static TaskCompletionSource New() => new(TaskCreationOptions.RunContinuationsAsynchronously);

    private readonly record struct Notice(long Number, int? Project, string Page);
}
