using Kalypto.Core.Designs;
using Kalypto.Core.Rendering;
using Kalypto.Store;
using Microsoft.Extensions.Hosting;

namespace Kalypto.Application.Desk;

/// <summary>Knows which elements the exact engine is needed for, of all drawings that were proved.</summary>
public sealed class ProvenLayers(ProofStore store, IRenderer renderer) : IHostedService
{
    private volatile IReadOnlyDictionary<Fingerprint, double> now = new Dictionary<Fingerprint, double>();

    /// <summary>Name and version of both engines; null where there is no exact one.</summary>
    public string? Engines => renderer.Exact is { } exact ? $"{renderer.Version} {exact}" : null;

    /// <summary>The elements with the share of their ink that was other; another value when more are known.</summary>
    public IReadOnlyDictionary<Fingerprint, double> Now => now;

    /// <summary>Looks again; what was known and is so still stays the same value.</summary>
    public async Task LoadAsync(CancellationToken cancel)
    {
        if (Engines is not { } engines)
        {
            return;
        }
        var found = await store.ProvenAsync(engines, cancel);
        var before = now;
        if (found.Count != before.Count || !found.All(f => before.TryGetValue(f.Key, out var share) && share == f.Value))
        {
            now = found;
        }
    }

    /// <summary>Knows before anything is planned.</summary>
    public Task StartAsync(CancellationToken cancellationToken) => LoadAsync(cancellationToken);

    /// <summary>Nothing to do.</summary>
    public Task StopAsync(CancellationToken cancellationToken) => Task.CompletedTask;
}
