using System.Diagnostics;
using System.Globalization;

namespace Kalypto.Drawing.Workers;

/// <summary>One worker process. Ended and started anew when it crashes or takes too long.</summary>
internal sealed class Worker(WorkerOptions options) : IDisposable
{
    // The best encoders take their time, and a search for the quality takes several rounds.
    private const int FileFactor = 6;
    private static readonly EngineFailure Died = new("It crashed the renderer, probably for want of memory.", IsTime: false);
    // What a process that was killed by signal 9 ends with.
    private const int KilledBySignal = 128 + 9;
    private static readonly TimeSpan Ending = TimeSpan.FromSeconds(5);
    private Process? process;

    /// <summary>Sends a request and reads as many answers as are expected; stops early when the worker dies or takes too long.</summary>
    /// <returns>Null when all answers came, else why they did not.</returns>
    public async Task<EngineFailure?> AskAsync(Request request, ReadOnlyMemory<byte> document, int answers, Action<Answer, byte[]> take, CancellationToken cancel)
    {
        var running = process is { HasExited: false } ? process : Start();
        var patience = request.Task == WorkerTask.File ? options.TimeLimit * FileFactor : options.TimeLimit;
        using var limit = CancellationTokenSource.CreateLinkedTokenSource(cancel);
        var clock = new WorkClock(running, patience);
        var answered = 0;
        try
        {
            var ticking = clock.TickAsync(limit);
            await Frames.WriteAsync(running.StandardInput.BaseStream, request, document, limit.Token);
            for (var i = 0; i < answers; i++)
            {
                clock.Again();
                if (await Frames.ReadAsync<Answer>(running.StandardOutput.BaseStream, limit.Token) is not var (answer, body))
                {
                    return HasDied(answered);
                }
                answered++;
                take(answer, body);
                if (answer.Failure is not null)
                {
                    break;
                }
            }
            await limit.CancelAsync();
            await ticking;
            return null;
        }
        catch (OperationCanceledException)
        {
            // Whether too slow or no longer wanted: what it is busy with cannot be stopped otherwise.
            End();
            cancel.ThrowIfCancellationRequested();
            return new($"It takes longer than {patience.TotalSeconds.ToString(CultureInfo.InvariantCulture)} seconds to {(request.Task == WorkerTask.File ? "make" : "draw")}.", IsTime: true);
        }
        catch (Exception e) when (e is IOException or InvalidDataException or InvalidOperationException)
        {
            return HasDied(answered);
        }
    }

    // Who takes too much memory aborts by itself; a kill comes from outside.
    private EngineFailure HasDied(int answered)
    {
        var isKilled = false;
        try
        {
            isKilled = answered == 0 && process is { } gone && gone.WaitForExit(Ending) && gone.ExitCode == KilledBySignal;
        }
        catch (InvalidOperationException)
        {
            // It never started.
        }
        End();
        return Died with { IsKilled = isKilled };
    }

    public void Dispose() => End();

    private Process Start()
    {
        End();
        string[] command = [.. WorkerJail.Before(options), options.Program, options.Fonts, options.Memory.ToString(CultureInfo.InvariantCulture)];
        var start = new ProcessStartInfo(command[0], command[1..])
        {
            RedirectStandardInput = true,
            RedirectStandardOutput = true,
            RedirectStandardError = true,
            UseShellExecute = false,
        };
        PlainEnvironment.Set(start);
        // Else every worker that is killed leaves a pipe for debuggers behind.
        start.Environment["DOTNET_EnableDiagnostics"] = "0";
        start.Environment["DOTNET_TieredPGO"] = "0";
        start.Environment["DOTNET_GCConserveMemory"] = "5";
        // Hexadecimal. By itself it follows the cache of the processor, which may be larger than all that a worker needs.
        start.Environment["DOTNET_GCgen0size"] = "1000000";
        // The pixels of a picture go back to the system when it is done, rather than into a pool that only grows.
        start.Environment["MALLOC_MMAP_THRESHOLD_"] = "262144";
        start.Environment["MALLOC_ARENA_MAX"] = "2";
        process = Process.Start(start) ?? throw new InvalidOperationException($"{options.Program} did not start.");
        // Drawing ahead must not slow down the people who decide meanwhile.
        process.PriorityClass = ProcessPriorityClass.BelowNormal;
        // Warnings of the renderer's libraries are of no use to anybody here, but must not fill the pipe.
        process.ErrorDataReceived += static (_, _) => { };
        process.BeginErrorReadLine();
        return process;
    }

    private void End()
    {
        if (process is null)
        {
            return;
        }
        try
        {
            process.Kill();
        }
        catch (InvalidOperationException)
        {
            // It has ended by itself.
        }
        process.Dispose();
        process = null;
    }
}
