using System.Collections.Concurrent;
using System.Text;
using System.Text.Json;
using System.Text.Json.Nodes;

namespace Kalypto.Drawing.Exact;

/// <summary>
/// Speaks the DevTools protocol with a browser over its pipe: JSON, one message after the other, each ended by a zero byte. A pipe
/// rather than a port, so that the browser needs no network and nobody else on the machine reaches it.
/// </summary>
internal sealed class DevTools : IDisposable
{
    private const int LongestMessage = 512 * 1024 * 1024;
    private readonly Stream to;
    private readonly ConcurrentDictionary<int, TaskCompletionSource<JsonObject>> waiting = new();
    private readonly SemaphoreSlim writing = new(1);
    private int count;

    /// <summary>Begins to listen.</summary>
    /// <param name="to">What the browser reads.</param>
    /// <param name="from">What the browser writes.</param>
    public DevTools(Stream to, Stream from)
    {
        this.to = to;
        Listening = ListenAsync(from);
    }

    /// <summary>Is told what the browser reports by itself: the method and its parameters.</summary>
    public Action<string, JsonObject> Reported { get; set; } = (_, _) => { };

    /// <summary>Ends when the browser does.</summary>
    public Task Listening { get; }

    /// <summary>Asks the browser for something.</summary>
    /// <exception cref="IOException">The browser is gone, or refused it.</exception>
    public async Task<JsonObject> AskAsync(string method, JsonObject parameters, string? session, CancellationToken cancel)
    {
        var id = Interlocked.Increment(ref count);
        var answer = new TaskCompletionSource<JsonObject>(TaskCreationOptions.RunContinuationsAsynchronously);
        waiting[id] = answer;
        try
        {
            var message = new JsonObject { ["id"] = id, ["method"] = method, ["params"] = parameters };
            if (session is not null)
            {
                message["sessionId"] = session;
            }
            await writing.WaitAsync(cancel);
            try
            {
                await to.WriteAsync(Encoding.UTF8.GetBytes(message.ToJsonString() + '\0'), cancel);
                await to.FlushAsync(cancel);
            }
            finally
            {
                writing.Release();
            }
            if (Listening.IsCompleted)
            {
                throw new IOException("The browser has ended.");
            }
            return await answer.Task.WaitAsync(cancel);
        }
        finally
        {
            waiting.TryRemove(id, out _);
        }
    }

    public void Dispose() => writing.Dispose();

    private async Task ListenAsync(Stream from)
    {
        var (buffer, held, looked) = (new byte[1 << 16], 0, 0);
        try
        {
            while (await from.ReadAsync(buffer.AsMemory(held)) is > 0 and var read)
            {
                held += read;
                var begin = 0;
                for (int end; (end = Array.IndexOf(buffer, (byte)0, looked, held - looked)) >= 0; begin = looked = end + 1)
                {
                    Take(JsonNode.Parse(buffer.AsSpan(begin, end - begin)) as JsonObject);
                }
                buffer.AsSpan(begin, held - begin).CopyTo(buffer);
                held -= begin;
                looked = held;
                if (held == buffer.Length)
                {
                    if (held >= LongestMessage)
                    {
                        break;
                    }
                    Array.Resize(ref buffer, buffer.Length * 2);
                }
            }
        }
        catch (Exception e) when (e is IOException or ObjectDisposedException or JsonException or OperationCanceledException)
        {
            // The same as its end: whoever waits is told below.
        }
        foreach (var answer in waiting.Values)
        {
            answer.TrySetException(new IOException("The browser has ended."));
        }
    }

    private void Take(JsonObject? message)
    {
        if (message?["id"]?.GetValue<int>() is { } id)
        {
            if (!waiting.TryGetValue(id, out var answer))
            {
                return;
            }
            if (message["error"] is JsonObject error)
            {
                answer.TrySetException(new IOException($"The browser refused: {error["message"]}"));
            }
            else
            {
                answer.TrySetResult(message["result"] as JsonObject ?? []);
            }
        }
        else if (message?["method"]?.GetValue<string>() is { } method)
        {
            Reported(method, message["params"] as JsonObject ?? []);
        }
    }
}
