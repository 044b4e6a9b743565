using System.Text.Json;
using System.Threading.Channels;
using Npgsql;

namespace Kalypto.Store;

/// <summary>Hears what the processes on a database tell one another.</summary>
public sealed class SignalListener(Database database)
{
    private static readonly TimeSpan Pause = TimeSpan.FromSeconds(1);

    private sealed record Payload(string? Kind, int Project, string? Page, string? Key, string? By, bool Quick, int Build);

    /// <summary>Listens until it is cancelled. Connects again when the connection is lost, and says then that something may have been missed.</summary>
    /// <param name="hear">Takes each signal in turn; it must not throw.</param>
    /// <param name="cancel">Ends it.</param>
    public async Task ListenAsync(Action<Signal> hear, CancellationToken cancel)
    {
        var isFirst = true;
        while (!cancel.IsCancellationRequested)
        {
            try
            {
                await using var connection = await database.Source.OpenConnectionAsync(cancel);
                var heard = Channel.CreateUnbounded<string>();
                connection.Notification += (_, e) => heard.Writer.TryWrite(e.Payload);
                await connection.Command($"listen {Signals.Channel}").RunAsync(cancel);
                if (!isFirst)
                {
                    hear(new Signal.Missed());
                }
                isFirst = false;
                while (true)
                {
                    await connection.WaitAsync(cancel);
                    while (heard.Reader.TryRead(out var payload))
                    {
                        if (Read(payload) is { } signal)
                        {
                            hear(signal);
                        }
                    }
                }
            }
            catch (OperationCanceledException) when (cancel.IsCancellationRequested)
            {
                return;
            }
            catch (Exception e) when (e is NpgsqlException or IOException or System.Net.Sockets.SocketException or InvalidOperationException)
            {
                await Task.WhenAny(Task.Delay(Pause, cancel));
            }
        }
    }

    private static Signal? Read(string payload)
    {
        try
        {
            var p = JsonSerializer.Deserialize<Payload>(payload, JsonSerializerOptions.Web);
            return p?.Kind switch
            {
                Signals.Edited => new Signal.Edited(p.Project, p.Page ?? ""),
                Signals.Drawn => new Signal.Drawn(p.Key ?? "", p.By ?? "", p.Quick),
                Signals.Proved => new Signal.Proved(p.Key ?? "", p.By ?? ""),
                Signals.Queued => new Signal.Queued(p.By ?? ""),
                Signals.Built => new Signal.Built(p.Build),
                Signals.Followed => new Signal.Followed(p.Project),
                _ => null,
            };
        }
        catch (JsonException)
        {
            // Somebody else may use the channel's name.
            return null;
        }
    }
}
