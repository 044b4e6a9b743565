using Npgsql;

namespace Kalypto.Store;

/// <summary>A lock that all processes on one database share. It is given back when it is disposed of, and when its process or its connection ends.</summary>
internal sealed class AdvisoryLock : IAsyncDisposable
{
    /// <summary>Locks of delivery places, by their number.</summary>
    public const int Place = 1;

    /// <summary>Locks of places that are followed, by their number.</summary>
    public const int Following = 2;

    private readonly NpgsqlConnection connection;
    private readonly (int Kind, int Number) key;

    private AdvisoryLock(NpgsqlConnection connection, (int Kind, int Number) key) => (this.connection, this.key) = (connection, key);

    /// <summary>Waits for a lock and takes it.</summary>
    public static async Task<IAsyncDisposable> TakeAsync(Database database, int kind, int number, CancellationToken cancel)
    {
        var connection = await database.Source.OpenConnectionAsync(cancel);
        try
        {
            var command = connection.Command("select pg_advisory_lock($1, $2)", kind, number);
            // Whoever has it may be at a large delivery.
            command.CommandTimeout = 0;
            await command.RunAsync(cancel);
            return new AdvisoryLock(connection, (kind, number));
        }
        catch
        {
            await connection.DisposeAsync();
            throw;
        }
    }

    /// <summary>Takes a lock that nobody has; null when somebody has it.</summary>
    public static async Task<IAsyncDisposable?> TryTakeAsync(Database database, int kind, int number, CancellationToken cancel)
    {
        var connection = await database.Source.OpenConnectionAsync(cancel);
        try
        {
            if (await connection.Command("select pg_try_advisory_lock($1, $2)", kind, number).ListAsync(r => r.GetBoolean(0), cancel) is [true])
            {
                return new AdvisoryLock(connection, (kind, number));
            }
        }
        catch
        {
            await connection.DisposeAsync();
            throw;
        }
        await connection.DisposeAsync();
        return null;
    }

    /// <inheritdoc/>
    public async ValueTask DisposeAsync()
    {
        try
        {
            await connection.Command("select pg_advisory_unlock($1, $2)", key.Kind, key.Number).RunAsync();
        }
        catch (NpgsqlException)
        {
            // The connection is gone, and the lock with it.
        }
        await connection.DisposeAsync();
    }
}
