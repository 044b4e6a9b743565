using Kalypto.Store;
using Microsoft.Extensions.Hosting;

namespace Kalypto.Application.Desk;

/// <summary>Hears what other processes on the database do, and hands it on to whoever waits here.</summary>
public sealed class SignalService(SignalListener listener, DrawingDesk desk, ProvenLayers proven, Notices notices, Database database) : BackgroundService
{
    /// <inheritdoc/>
    protected override Task ExecuteAsync(CancellationToken stoppingToken) => listener.ListenAsync(Hear, stoppingToken);

    private void Hear(Signal signal)
    {
        switch (signal)
        {
            case Signal.Edited edited:
                notices.Give(edited.Project, edited.Page);
                break;
            case Signal.Drawn drawn when drawn.By != database.Process:
                desk.HearDrawn(drawn.Key);
                if (!drawn.IsQuick)
                {
                    notices.Give();
                }
                break;
            case Signal.Proved proved when proved.By != database.Process:
                _ = HearProvedAsync(() => desk.HearDrawn(proved.Key));
                break;
            case Signal.Queued queued when queued.By != database.Process:
                desk.HearQueued();
                break;
            case Signal.Built:
                desk.HearChanged();
                notices.Give();
                break;
            case Signal.Followed followed:
                notices.Give(followed.Project);
                break;
            case Signal.Missed:
                desk.HearMissed();
                _ = HearProvedAsync(desk.HearMissed);
                break;
        }
    }

    // Whoever waits looks again when it is known what was proven.
    private async Task HearProvedAsync(Action tell)
    {
        try
        {
            await proven.LoadAsync(default);
        }
        catch (Npgsql.NpgsqlException)
        {
            // The database is away; that it is back is told.
        }
        tell();
        notices.Give();
    }
}
