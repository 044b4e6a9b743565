using Npgsql;

[assembly: AssemblyFixture(typeof(Kalypto.Store.Tests.DatabaseFixture))]

namespace Kalypto.Store.Tests;

/// <summary>A new, migrated database on the PostgreSQL that ./test starts; dropped at the end.</summary>
public sealed class DatabaseFixture : IAsyncLifetime
{
    /// <summary>Classes that share its tables: cleaning in one would take what another has just put there.</summary>
    public const string OneAfterTheOther = "one after the other";

    private readonly string name = $"test_{Guid.NewGuid():N}";
    private string admin = "";

    public string Connection { get; private set; } = "";

    public Database Database { get; private set; } = null!;

    public ValueTask InitializeAsync()
    {
        var server = Environment.GetEnvironmentVariable("KALYPTO_DATABASE")
            ?? throw new InvalidOperationException("KALYPTO_DATABASE is not set. Run ./test, which starts a database for the tests.");
        Connection = new NpgsqlConnectionStringBuilder(server) { Database = name }.ConnectionString;
        Database = new(Connection);
        Database.Migrate();
        admin = new NpgsqlConnectionStringBuilder(server) { Database = "postgres", Pooling = false, Timeout = 300, CommandTimeout = 600 }.ConnectionString;
        return ValueTask.CompletedTask;
    }

    /// <summary>Changes what only time would.</summary>
    public async Task RunAsync(string sql)
    {
        await using var command = Database.Source.CreateCommand(sql);
        await command.ExecuteNonQueryAsync(TestContext.Current.CancellationToken);
    }

    public async ValueTask DisposeAsync()
    {
        await Database.DisposeAsync();
        await using var connection = new NpgsqlConnection(admin);
        await connection.OpenAsync();
        await using var command = new NpgsqlCommand($"drop database {name} with (force)", connection);
        await command.ExecuteNonQueryAsync();
    }
}
