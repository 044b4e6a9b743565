using Kalypto.Core.Designs;
using Kalypto.Core.Rendering;

namespace Kalypto.Store;

/// <summary>What is drawn already, found again by the key of all that went into it.</summary>
public sealed class DrawingStore(Database database)
{
    private const string Done = "delete from drawing_jobs where key = $1";

    /// <summary>Those of the keys that are drawn.</summary>
    public async Task<IReadOnlyDictionary<string, DrawingRow>> FindAsync(IReadOnlyCollection<string> keys, CancellationToken cancel) => (await database.Source
        .Command("select key, sha256, coalesce(weight, 0), failure, note from drawings where key = any($1::char(64)[])", [keys.ToArray()])
        .ListAsync(r => new DrawingRow(r.GetString(0), r.Nullable<string>(1), r.GetInt64(2), r.Nullable<string>(3), r.Nullable<string>(4)), cancel)).ToDictionary(d => d.Key);

    /// <summary>The bytes of a drawn picture; null when it is not drawn.</summary>
    public async Task<byte[]?> BytesAsync(string key, CancellationToken cancel) => (await database.Source
        .Command("select b.bytes from drawings d join blobs b on b.sha256 = d.sha256 where d.key = $1", key)
        .ListAsync(r => r.GetFieldValue<byte[]>(0), cancel)).FirstOrDefault();

    /// <summary>Keeps a picture, or the reason why there is none, and takes its job off the queue.</summary>
    public async Task<DrawingRow> PutAsync(string key, byte[]? bytes, string? failure, CancellationToken cancel, string? note = null)
    {
        var row = new DrawingRow(key, bytes is null ? null : Fingerprint.Of(bytes).Hex, bytes?.LongLength ?? 0, failure, note);
        await database.Redoable.RunAllAsync(cancel, [
            .. bytes is null ? [] : new[] { (BlobStore.Put, new object?[] { row.Sha256, bytes }) },
            ("insert into drawings (key, sha256, weight, failure, note) values ($1, $2, $3, $4, $5) on conflict do nothing", [key, row.Sha256, (long?)bytes?.LongLength, failure, note]),
            (Done, [key])]);
        return row;
    }

    /// <summary>Those of the keys of isolated layers that were looked at.</summary>
    public async Task<IReadOnlyDictionary<string, Look>> LooksAsync(IReadOnlyCollection<string> keys, CancellationToken cancel) => (await database.Source
        .Command("select key, ink, failure from looks where key = any($1::char(64)[])", [keys.ToArray()])
        .ListAsync(r => (Key: r.GetString(0), Look: new Look(r.Box(1), r.Nullable<string>(2))), cancel)).ToDictionary(l => l.Key, l => l.Look);

    /// <summary>Keeps what was seen of a layer, and takes its job off the queue.</summary>
    public Task PutLookAsync(string key, Look look, CancellationToken cancel) => database.Redoable.RunAllAsync(cancel,
        ("insert into looks values ($1, $2, $3) on conflict do nothing", [key, look.Ink.Numbers(), look.Failure]),
        (Done, [key]));
}
