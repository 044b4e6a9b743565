using Kalypto.Application.Desk;
using Kalypto.Store;
using Kalypto.Store.People;
using Microsoft.Extensions.Hosting;
using Microsoft.Extensions.Logging;

namespace Kalypto.Application.Keeping;

/// <summary>Removes again and again, in the background, what nobody refers to or uses any more.</summary>
public sealed class KeepingService(CleaningStore cleaning, AuditStore audit, DrawingDesk desk, KeepingLimits limits, ILogger<KeepingService> log) : BackgroundService
{
    private static readonly TimeSpan AfterStart = TimeSpan.FromMinutes(10);
    private static readonly TimeSpan Between = TimeSpan.FromHours(6);

    /// <inheritdoc/>
    protected override async Task ExecuteAsync(CancellationToken stoppingToken)
    {
        for (var wait = AfterStart; !stoppingToken.IsCancellationRequested; wait = Between)
        {
            await Task.WhenAny(Task.Delay(wait, stoppingToken));
            if (stoppingToken.IsCancellationRequested)
            {
                return;
            }
            try
            {
                await CleanAsync(stoppingToken);
            }
            catch (Exception e) when (e is Npgsql.NpgsqlException or OperationCanceledException)
            {
                log.LogWarning(e, "Cleaning did not end; it is tried again later");
            }
        }
    }

    /// <summary>Cleans once.</summary>
    public async Task<Cleaned> CleanAsync(CancellationToken cancel)
    {
        // What is in use is asked for again, and the store learns by it that it is.
        desk.Forget();
        await audit.CleanAsync(limits.Audit, cancel);
        var cleaned = await cleaning.CleanAsync(limits, cancel);
        log.LogInformation("Cleaned: {Cleaned}", cleaned);
        return cleaned;
    }
}
