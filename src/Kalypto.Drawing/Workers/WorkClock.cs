using System.Diagnostics;

namespace Kalypto.Drawing.Workers;

/// <summary>
/// Ends what takes too long: counted in the time that the processor spent on it, so that a busy machine fails nothing, and
/// only far beyond that in time that went by.
/// </summary>
/// <param name="process">The worker.</param>
/// <param name="patience">How long it may work on one answer.</param>
internal sealed class WorkClock(Process process, TimeSpan patience)
{
    private const int MostWaiting = 6;
    private static readonly TimeSpan Tick = TimeSpan.FromMilliseconds(100);
    private volatile bool isNew = true;

    /// <summary>The next answer is waited for from now on.</summary>
    public void Again() => isNew = true;

    /// <summary>Looks again and again until it is cancelled, or cancels it.</summary>
    public async Task TickAsync(CancellationTokenSource limit)
    {
        var (worked, began) = (TimeSpan.Zero, 0L);
        while (!limit.IsCancellationRequested)
        {
            await Task.WhenAny(Task.Delay(Tick, limit.Token));
            if (isNew)
            {
                // What is answered within a tick never asks the system for anything.
                (isNew, worked, began) = (false, Worked(), Stopwatch.GetTimestamp());
            }
            else if (Worked() - worked > patience || Stopwatch.GetElapsedTime(began) > patience * MostWaiting)
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
