using Kalypto.Store;
using Npgsql;

[assembly: AssemblyFixture(typeof(Kalypto.Store.Tests.DatabaseFixture))]

namespace Kalypto.Store.Tests;

/// <summary>A new, migrated database on the PostgreSQL that ./test starts; dropped at the end.</summary>
public sealed class DatabaseFixture : IAsyncLifetime
{
    private readonly string name = $"test_{Guid.NewGuid():N}";
    private string server = "";

    public Database Database { get; private set; } = null!;

    public async ValueTask InitializeAsync()
    {
        server = Environment.GetEnvironmentVariable("KALYPTO_DATABASE")
            ?? throw new InvalidOperationException("KALYPTO_DATABASE is not set. Run ./test, which starts a database for the tests.");
        await RunAsync($"create database {name}");
        Database = new(new NpgsqlConnectionStringBuilder(server) { Database = name }.ConnectionString);
        Database.Migrate();
    }

    public async ValueTask DisposeAsync()
    {
        await Database.DisposeAsync();
        await RunAsync($"drop database {name} with (force)");
    }

    private async Task RunAsync(string sql)
    {
        await using var connection = new NpgsqlConnection(server);
        await connection.OpenAsync();
        await using var command = new NpgsqlCommand(sql, connection);
        await command.ExecuteNonQueryAsync();
    }
}
