using Kalypto.Core.Designs;
using Npgsql;

namespace Kalypto.Store;

/// <summary>Bytes by their SHA-256: equal content is kept once.</summary>
public sealed class BlobStore(Database database)
{
    internal const string Put = "insert into blobs values ($1, $2) on conflict do nothing";

    /// <summary>Keeps bytes and tells their SHA-256.</summary>
    public async Task<string> PutAsync(byte[] bytes, CancellationToken cancel)
    {
        await using var connection = await database.Source.OpenConnectionAsync(cancel);
        return await PutAsync(connection, bytes, cancel);
    }

    /// <summary>The bytes; null when there are none of that SHA-256.</summary>
    public async Task<byte[]?> GetAsync(string sha256, CancellationToken cancel) =>
        (await database.Source.Command("select bytes from blobs where sha256 = $1", sha256)
            .ListAsync(r => r.GetFieldValue<byte[]>(0), cancel)).FirstOrDefault();

    internal static async Task<string> PutAsync(NpgsqlConnection connection, byte[] bytes, CancellationToken cancel)
    {
        var sha256 = Fingerprint.Of(bytes).Hex;
        await connection.Command(Put, sha256, bytes).RunAsync(cancel);
        return sha256;
    }
}
