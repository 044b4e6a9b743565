using System.Diagnostics;

namespace Kalypto.Drawing.Workers;

/// <summary>
/// Ends what takes too long: counted in the time that the processor spent on it, so that a busy machine fails nothing. Time
/// that goes by ends only what uses no processor at all, such as one that waits for ever.
/// </summary>
/// <param name="process">The worker.</param>
/// <param name="patience">How long it may work on one answer.</param>
internal sealed class WorkClock(Process process, TimeSpan patience)
{
    private static readonly TimeSpan Tick = TimeSpan.FromMilliseconds(100);
    private volatile bool isNew = true;

    /// <summary>The next answer is waited for from now on.</summary>
    public void Again() => isNew = true;

    /// <summary>Looks again and again until it is cancelled, or cancels it.</summary>
    public async Task TickAsync(CancellationTokenSource limit)
    {
        var (began, worked, since) = (TimeSpan.Zero, TimeSpan.Zero, 0L);
        while (!limit.IsCancellationRequested)
        {
            await Task.WhenAny(Task.Delay(Tick, limit.Token));
            if (isNew)
            {
                // What is answered within a tick never asks the system for anything.
                began = worked = Worked();
                (isNew, since) = (false, Stopwatch.GetTimestamp());
                continue;
            }
            var now = Worked();
            if (now != worked)
            {
                (worked, since) = (now, Stopwatch.GetTimestamp());
            }
            if (now - began > patience || Stopwatch.GetElapsedTime(since) > EngineLimits.MostIdle)
            {
                await limit.CancelAsync();
            }
        }
    }

    private TimeSpan Worked()
    {
        try
        {
            process.Refresh();
            return process.TotalProcessorTime;
        }
        catch (Exception e) when (e is InvalidOperationException or System.ComponentModel.Win32Exception)
        {
            // It has ended; whoever reads from it notices.
            return TimeSpan.Zero;
        }
    }
}
