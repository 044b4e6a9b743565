using System.Data;
using Kalypto.Core.Designs;
using Npgsql;

namespace Kalypto.Store;

/// <summary>Bytes by their SHA-256 in the database, with a row of metadata each.</summary>
public sealed class BlobStore(Database database) : IBlobs
{
    // What is put again counts as new, so that it is not cleaned away before something refers to it.
    internal const string Put = "insert into blobs (sha256, bytes) values ($1, $2) on conflict (sha256) do update set kept_at = now()";

    /// <inheritdoc/>
    public async Task<string> PutAsync(Stream content, CancellationToken cancel)
    {
        using var buffer = new MemoryStream();
        await content.CopyToAsync(buffer, cancel);
        await using var connection = await database.Source.OpenConnectionAsync(cancel);
        return await PutAsync(connection, buffer.ToArray(), cancel);
    }

    /// <inheritdoc/>
    public async Task<Stream?> OpenAsync(string sha256, CancellationToken cancel)
    {
        var command = database.Source.Command("select bytes from blobs where sha256 = $1", sha256).Patiently();
        var reader = await command.ExecuteReaderAsync(CommandBehavior.SequentialAccess | CommandBehavior.SingleRow, cancel);
        if (await reader.ReadAsync(cancel))
        {
            return new BlobStream(await reader.GetStreamAsync(0, cancel), reader, command);
        }
        await reader.DisposeAsync();
        await command.DisposeAsync();
        return null;
    }

    /// <inheritdoc/>
    public async Task<long?> LengthAsync(string sha256, CancellationToken cancel) =>
        (await database.Source.Command("select length from blobs where sha256 = $1", sha256).ListAsync(r => (long?)r.GetInt64(0), cancel)).FirstOrDefault();

    internal static async Task<string> PutAsync(NpgsqlConnection connection, byte[] bytes, CancellationToken cancel)
    {
        var sha256 = Fingerprint.Of(bytes).Hex;
        await connection.Command(Put, sha256, bytes).Patiently().RunAsync(cancel);
        return sha256;
    }
}
