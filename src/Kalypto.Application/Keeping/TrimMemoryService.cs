using Microsoft.Extensions.Hosting;

namespace Kalypto.Application.Keeping;

/// <summary>
/// Gives memory back to the system once it is quiet after a lot was done. A file of 60 MB is read, sent and kept in arrays of its
/// size; by itself the collector keeps the room that they took, in case that more of the sort come.
/// </summary>
public sealed class TrimMemoryService : BackgroundService
{
    // As measured: what an upload of some megabytes leaves is worth a moment, what pages leave is not.
    private const long WorthIt = 200_000_000;
    private const long Quiet = 20_000_000;
    private static readonly TimeSpan Look = TimeSpan.FromSeconds(10);

    /// <inheritdoc/>
    protected override async Task ExecuteAsync(CancellationToken stoppingToken)
    {
        var (trimmedAt, before) = (GC.GetTotalAllocatedBytes(), GC.GetTotalAllocatedBytes());
        while (!stoppingToken.IsCancellationRequested)
        {
            await Task.WhenAny(Task.Delay(Look, stoppingToken));
            var now = GC.GetTotalAllocatedBytes();
            if (now - trimmedAt > WorthIt && now - before < Quiet)
            {
                // Compacts the large objects, too, and lets go of what is free.
                GC.Collect(GC.MaxGeneration, GCCollectionMode.Aggressive, blocking: true, compacting: true);
                trimmedAt = now = GC.GetTotalAllocatedBytes();
            }
            before = now;
        }
    }
}
