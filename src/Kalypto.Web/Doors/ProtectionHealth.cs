using Kalypto.Drawing.Workers;
using Microsoft.Extensions.Diagnostics.HealthChecks;

namespace Kalypto.Web.Doors;

/// <summary>Says what protects the machine from hostile drawings; degraded where this machine does not let all of it hold.</summary>
internal sealed class ProtectionHealth(WorkerOptions options) : IHealthCheck
{
    public async Task<HealthCheckResult> CheckHealthAsync(HealthCheckContext context, CancellationToken cancellationToken = default)
    {
        // The first time a worker is started to see.
        var protection = await Task.Run(() => WorkerJail.ProtectionOf(options), cancellationToken);
        return protection.IsWeak ? HealthCheckResult.Degraded($"Drawings are drawn with less protection than there could be: {protection}.") : HealthCheckResult.Healthy($"Drawings are drawn with {protection}.");
    }
}
