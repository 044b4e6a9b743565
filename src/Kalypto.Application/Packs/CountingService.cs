using Kalypto.Application.Desk;
using Kalypto.Application.Opening;
using Kalypto.Store;
using Microsoft.Extensions.Hosting;
using Microsoft.Extensions.Logging;

namespace Kalypto.Application.Packs;

/// <summary>Counts in the background what the first page shows of projects that were changed, so that it need open none.</summary>
public sealed class CountingService(ProjectStore projects, OpenProject open, PlanPack plans, Notices notices, ILogger<CountingService> log) : BackgroundService
{
    private const int AtOnce = 8;
    private static readonly TimeSpan Pause = TimeSpan.FromMilliseconds(500);
    private static readonly TimeSpan Longest = TimeSpan.FromMinutes(5);

    /// <inheritdoc/>
    protected override async Task ExecuteAsync(CancellationToken stoppingToken)
    {
        while (!stoppingToken.IsCancellationRequested)
        {
            var next = notices.Next;
            try
            {
                var changed = await projects.UncountedAsync(AtOnce, stoppingToken);
                foreach (var project in changed)
                {
                    await CountAsync(project, stoppingToken);
                }
                if (changed.Count == 0)
                {
                    await Task.WhenAny(next, Task.Delay(Longest, stoppingToken));
                }
                // Edits come in bursts.
                await Task.WhenAny(Task.Delay(Pause, stoppingToken));
            }
            catch (Exception e) when (e is Npgsql.NpgsqlException or OperationCanceledException)
            {
                await Task.WhenAny(Task.Delay(Pause, stoppingToken));
            }
        }
    }

    private async Task CountAsync(int project, CancellationToken cancel)
    {
        try
        {
            if (await open.LoadAsync(project, cancel) is { } workspace)
            {
                await projects.KeepCountsAsync(project, workspace.Row.Revision, ProjectCounts.Of(workspace, await plans.PlanAsync(workspace, cancel)).ToJson(), cancel);
            }
        }
        catch (Exception e) when (e is not OperationCanceledException and not Npgsql.NpgsqlException)
        {
            log.LogError(e, "Project {Project} cannot be opened", project);
            if (await projects.FindAsync(project, cancel) is { } row)
            {
                await projects.KeepCountsAsync(project, row.Revision, ProjectCounts.Failed("It cannot be opened; the log says why.").ToJson(), cancel);
            }
        }
    }
}
