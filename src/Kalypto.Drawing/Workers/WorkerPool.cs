using System.Collections.Concurrent;

namespace Kalypto.Drawing.Workers;

/// <summary>Worker processes that are asked one thing at a time each; they start when they are first needed.</summary>
internal sealed class WorkerPool : IDisposable
{
    // Whoever kills workers kills a few in a row; one that dies like this each time is ended by the machine for want of memory.
    private const int MostKills = 8;
    private readonly ConcurrentBag<Worker> idle = [];
    private readonly SemaphoreSlim places;

    public WorkerPool(WorkerOptions options, int count)
    {
        places = new(count);
        for (var i = 0; i < count; i++)
        {
            idle.Add(new(options));
        }
    }

    /// <summary>Asks the next worker that is free.</summary>
    /// <returns>Null when all answers came, else why they did not.</returns>
    public async Task<EngineFailure?> AskAsync(Request request, ReadOnlyMemory<byte> document, int answers, Action<Answer, byte[]> take, CancellationToken cancel)
    {
        await places.WaitAsync(cancel);
        idle.TryTake(out var worker);
        try
        {
            for (var attempt = 1; ; attempt++)
            {
                var failure = await worker!.AskAsync(request, document, answers, take, cancel);
                if (failure is not { IsKilled: true } || attempt == MostKills)
                {
                    return failure;
                }
            }
        }
        finally
        {
            idle.Add(worker!);
            places.Release();
        }
    }

    public void Dispose()
    {
        while (idle.TryTake(out var worker))
        {
            worker.Dispose();
        }
        places.Dispose();
    }
}
