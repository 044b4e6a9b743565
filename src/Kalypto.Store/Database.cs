using System.Runtime.ExceptionServices;
using DbUp;
using DbUp.Engine.Output;
using Npgsql;

namespace Kalypto.Store;

/// <summary>The connection to PostgreSQL and the state of its tables.</summary>
public sealed class Database : IAsyncDisposable
{
    private const int MostRedoable = 12;
    private const int StartTries = 120;

    // A database that hangs must not hang whoever waits for it: they are told, and may try again.
    private const int Seconds = 10;
    private const int RedoableSeconds = 60;
    private const int CancellationMilliseconds = 1000;

    private static readonly TimeSpan BetweenTries = TimeSpan.FromSeconds(0.5);

    /// <summary>Opens a database.</summary>
    /// <param name="connection">A connection string of Npgsql.</param>
    public Database(string connection)
    {
        Connection = connection;
        Source = NpgsqlDataSource.Create(new NpgsqlConnectionStringBuilder(connection) { CommandTimeout = Seconds, Timeout = Seconds, CancellationTimeout = CancellationMilliseconds });
        var redoable = new NpgsqlConnectionStringBuilder(connection) { MaxPoolSize = MostRedoable, CommandTimeout = RedoableSeconds, Timeout = Seconds, CancellationTimeout = CancellationMilliseconds };
        redoable.Options = $"{redoable.Options} -c synchronous_commit=off".Trim();
        Redoable = NpgsqlDataSource.Create(redoable);
    }

    /// <summary>Hands out connections.</summary>
    public NpgsqlDataSource Source { get; }

    /// <summary>
    /// Hands out connections for what can be drawn again: a commit does not wait for the disk. When the machine stops, the last
    /// moments may be gone as if they had not been; nothing is ever half there.
    /// </summary>
    public NpgsqlDataSource Redoable { get; }

    /// <summary>Tells this process from all others on the database.</summary>
    public string Process { get; } = $"{Environment.ProcessId}-{Guid.NewGuid():N}";

    private string Connection { get; }

    /// <summary>
    /// Makes the database where there is none and brings its tables to the state that this version needs. Safe at every start.
    /// Waits a minute for one that is just coming up.
    /// </summary>
    /// <exception cref="InvalidOperationException">A migration failed; the database is as it was before it.</exception>
    public void Migrate()
    {
        for (var tries = 1; ; tries++)
        {
            try
            {
                MigrateNow();
                return;
            }
            catch (NpgsqlException e) when (e.IsTransient && tries < StartTries)
            {
                Thread.Sleep(BetweenTries);
            }
        }
    }

    private void MigrateNow()
    {
        EnsureDatabase.For.PostgresqlDatabase(Connection, new NoOpUpgradeLog());
        var result = DeployChanges.To.PostgresqlDatabase(Connection)
            .WithScriptsEmbeddedInAssembly(typeof(Database).Assembly)
            .WithTransactionPerScript()
            .LogToNowhere()
            .Build().PerformUpgrade();
        if (!result.Successful)
        {
            if (result.Error is NpgsqlException { IsTransient: true } passing)
            {
                ExceptionDispatchInfo.Throw(passing);
            }
            throw new InvalidOperationException($"The database could not be brought up to date: {result.Error.Message}", result.Error);
        }
    }

    /// <summary>Asks whether the database answers and can keep something; null when it does, else why not.</summary>
    public async Task<string?> AnswersAsync(CancellationToken cancel)
    {
        try
        {
            // A line in the log of what is written needs room on the disk, as every change does, and leaves nothing behind.
            await Source.Command("select pg_logical_emit_message(true, 'kalypto', 'health')").RunAsync(cancel);
            return null;
        }
        catch (Exception e) when (e is NpgsqlException or TimeoutException or OperationCanceledException)
        {
            return e.Message;
        }
    }

    /// <inheritdoc/>
    public async ValueTask DisposeAsync()
    {
        await Redoable.DisposeAsync();
        await Source.DisposeAsync();
    }
}
