using Kalypto.Store;
using Microsoft.Extensions.Diagnostics.HealthChecks;

namespace Kalypto.Web.Doors;

/// <summary>Healthy while the database answers and can keep something.</summary>
internal sealed class DatabaseHealth(Database database) : IHealthCheck
{
    public async Task<HealthCheckResult> CheckHealthAsync(HealthCheckContext context, CancellationToken cancellationToken = default) =>
        await database.AnswersAsync(cancellationToken) is { } failure ? HealthCheckResult.Unhealthy($"The database does not answer: {failure}") : HealthCheckResult.Healthy();
}
