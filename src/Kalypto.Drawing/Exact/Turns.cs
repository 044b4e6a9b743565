namespace Kalypto.Drawing.Exact;

/// <summary>
/// Lets one at a time work: the most urgent first, of those the project that was served longest ago, of those whoever came
/// first. What a heavy or hostile drawing asks for therefore keeps others waiting for one picture at the most.
/// </summary>
internal sealed class Turns
{
    private static readonly TimeSpan SlowFor = TimeSpan.FromMinutes(10);
    private readonly Lock gate = new();
    private readonly List<(Turn Turn, TaskCompletionSource Ready)> waiting = [];
    private readonly Dictionary<int, long> served = [];
    private readonly Dictionary<int, long> slowUntil = [];
    private long clock;
    private bool isTaken;

    /// <summary>Waits for a turn, which <see cref="Release"/> ends.</summary>
    /// <exception cref="OperationCanceledException">It was cancelled; then it is nobody's turn.</exception>
    public async Task WaitAsync(Turn turn, CancellationToken cancel)
    {
        var ready = new TaskCompletionSource(TaskCreationOptions.RunContinuationsAsynchronously);
        lock (gate)
        {
            cancel.ThrowIfCancellationRequested();
            if (!isTaken)
            {
                Take(turn);
                return;
            }
            waiting.Add((turn, ready));
        }
        await using var ending = cancel.Register(() =>
        {
            lock (gate)
            {
                // Whoever has the turn already keeps it, and gives it back.
                if (waiting.RemoveAll(w => w.Ready == ready) > 0)
                {
                    ready.TrySetCanceled(cancel);
                }
            }
        });
        await ready.Task;
    }

    /// <summary>Takes the turn when nobody has it.</summary>
    public bool TryTake()
    {
        lock (gate)
        {
            if (isTaken)
            {
                return false;
            }
            isTaken = true;
            return true;
        }
    }

    /// <summary>Ends a turn.</summary>
    public void Release()
    {
        lock (gate)
        {
            isTaken = false;
            if (waiting.Count == 0)
            {
                return;
            }
            var next = waiting.MinBy(w => (IsSlow(w.Turn.Draft), w.Turn.Urgency, served.GetValueOrDefault(w.Turn.Project)));
            waiting.Remove(next);
            Take(next.Turn);
            next.Ready.SetResult();
        }
    }

    /// <summary>Remembers that something of a draft ran out of time.</summary>
    public void MarkSlow(Turn turn)
    {
        lock (gate)
        {
            slowUntil[turn.Draft] = Environment.TickCount64 + (long)SlowFor.TotalMilliseconds;
        }
    }

    private void Take(Turn turn)
    {
        isTaken = true;
        served[turn.Project] = ++clock;
    }

    private bool IsSlow(int draft)
    {
        if (draft == 0 || !slowUntil.TryGetValue(draft, out var until))
        {
            return false;
        }
        if (until > Environment.TickCount64)
        {
            return true;
        }
        slowUntil.Remove(draft);
        return false;
    }
}
