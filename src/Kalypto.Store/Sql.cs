using Kalypto.Core.Designs;
using Npgsql;

namespace Kalypto.Store;

/// <summary>Short forms for the calls of Npgsql that the stores make. Values always go as parameters.</summary>
internal static class Sql
{
    private const int PatientSeconds = 600;

    public static NpgsqlCommand Command(this NpgsqlDataSource source, string sql, params ReadOnlySpan<object?> values) =>
        Fill(source.CreateCommand(sql), values);

    public static NpgsqlCommand Command(this NpgsqlConnection connection, string sql, params ReadOnlySpan<object?> values) =>
        Fill(new NpgsqlCommand(sql, connection), values);

    /// <summary>The same command with minutes of patience: for work in the background and for large content, which nobody waits for at a page.</summary>
    public static NpgsqlCommand Patiently(this NpgsqlCommand command)
    {
        command.CommandTimeout = PatientSeconds;
        return command;
    }

    /// <summary>Statements that go in one trip: all of them hold, or none.</summary>
    public static NpgsqlBatch Batch(this NpgsqlDataSource source, params IEnumerable<(string Sql, object?[] Values)> statements)
    {
        var batch = source.CreateBatch();
        foreach (var (sql, values) in statements)
        {
            var command = new NpgsqlBatchCommand(sql);
            Fill(command.Parameters, values);
            batch.BatchCommands.Add(command);
        }
        return batch;
    }

    /// <summary>Runs statements in one go: all of them hold, or none.</summary>
    public static async Task RunAllAsync(this NpgsqlDataSource source, CancellationToken cancel, params IEnumerable<(string Sql, object?[] Values)> statements)
    {
        await using var batch = source.Batch(statements);
        await batch.ExecuteNonQueryAsync(cancel);
    }

    /// <summary>The rows that are left of a result.</summary>
    public static async Task<List<T>> RestAsync<T>(this NpgsqlDataReader reader, Func<NpgsqlDataReader, T> read, CancellationToken cancel)
    {
        var rows = new List<T>();
        while (await reader.ReadAsync(cancel))
        {
            rows.Add(read(reader));
        }
        return rows;
    }

    public static async Task<List<T>> ListAsync<T>(this NpgsqlCommand command, Func<NpgsqlDataReader, T> read, CancellationToken cancel = default)
    {
        await using (command)
        {
            await using var reader = await command.ExecuteReaderAsync(cancel);
            return await reader.RestAsync(read, cancel);
        }
    }

    public static async Task<int> RunAsync(this NpgsqlCommand command, CancellationToken cancel = default)
    {
        await using (command)
        {
            return await command.ExecuteNonQueryAsync(cancel);
        }
    }

    public static async Task<T> ScalarAsync<T>(this NpgsqlCommand command, CancellationToken cancel = default)
    {
        await using (command)
        {
            return (T)(await command.ExecuteScalarAsync(cancel))!;
        }
    }

    public static T? Nullable<T>(this NpgsqlDataReader reader, int column) =>
        reader.IsDBNull(column) ? default : reader.GetFieldValue<T>(column);

    public static DateTime? Time(this NpgsqlDataReader reader, int column) => reader.IsDBNull(column) ? null : reader.GetDateTime(column);

    public static Box? Box(this NpgsqlDataReader reader, int column) =>
        reader.Nullable<double[]>(column) is [var x, var y, var w, var h] ? new Box(x, y, w, h) : null;

    public static double[]? Numbers(this Box? box) => box is { } b ? [b.X, b.Y, b.Width, b.Height] : null;

    private static NpgsqlCommand Fill(NpgsqlCommand command, ReadOnlySpan<object?> values)
    {
        Fill(command.Parameters, values);
        return command;
    }

    private static void Fill(NpgsqlParameterCollection parameters, ReadOnlySpan<object?> values)
    {
        foreach (var value in values)
        {
            parameters.Add(new NpgsqlParameter { Value = value ?? DBNull.Value });
        }
    }
}
